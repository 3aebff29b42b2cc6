import type { Followed } from '../batch/follow/follow';
import { ingredient } from '../food/catalogue';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { portionsIn } from '../pot/contents/portions';
import type { Portion } from '../pot/step';

/** What the model thinks went otherwise than planned, and how much of it that explains. */
export type Cause = {
  readonly says: Message;
  /** Which way it moved the soup. */
  readonly made: 'thinner' | 'thicker';
  /** In ln(viscosity), as believed. */
  readonly by: number;
  /** Standard deviations of its doubt: over 1 it is more than the usual scatter. */
  readonly sigmas: number;
};

/** What it means when a house factor is over or under what was thought. */
const SAYS: Partial<Record<string, readonly [Message, Message]>> = {
  flour: [
    message('the flour thickens more than thought'),
    message('the flour thickens less than thought, or less went in'),
  ],
  puree: [
    message('more was blended than thought, or it thickens more'),
    message('less was blended than thought, or it thickens less'),
  ],
  leaching: [message('more starch left the potato'), message('less starch left the potato')],
  waterLoss: [message('more water boiled off than planned'), message('less water boiled off than planned')],
  juices: [message('the vegetables gave less water'), message('the vegetables gave more juice than planned')],
  burner: [message('the flame is stronger than rated'), message('the flame is weaker than rated')],
  softening: [message('the pieces softened faster'), message('the pieces softened more slowly')],
};

/** A cause smaller than this in ln(viscosity) is not worth a line. */
const LEAST = 0.03;

/**
 * Causes ranked by how much of the difference they explain, given the readings: what the filter has learnt
 * of each factor times what the soup does with it, and what the scale showed. `slopes` are those of the end
 * with each factor.
 */
export function causesOf(f: Followed, slopes: readonly number[]): readonly Cause[] {
  const learnt = f.unknowns.flatMap(({ factor, spread }, k): Cause[] => {
    const moved = f.belief.mean[k] ?? 0;
    const by = moved * (slopes[k] ?? 0);
    const words = SAYS[factor];
    if (!words || Math.abs(by) < LEAST) return [];
    return [
      {
        says: moved > 0 === (factor !== 'juices') ? words[0] : words[1],
        made: by > 0 ? 'thicker' : 'thinner',
        by,
        sigmas: Math.abs(moved) / spread,
      },
    ];
  });
  return [...weighed(f), ...learnt].sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
}

/** ln η goes about three times the ln of what thickens, and that much the other way with what thins. */
const STEEP = 3;

function weighed(f: Followed): readonly Cause[] {
  return f.state.steps.flatMap((s) => {
    const planned = s.planned?.does;
    if (!planned) return [];
    const portions = portionsIn<Portion>(planned);
    return [...s.weighed].flatMap(([item, g]): Cause[] => {
      const p = portions[item];
      const open = s.planned?.open?.find((o) => o.item === item)?.goal;
      if (!p || p.amount <= 0 || g <= 0 || (open !== 'thickness' && open !== 'volume')) return [];
      const by = Math.log(g / p.amount) * STEEP * (open === 'thickness' ? 1 : -1);
      if (Math.abs(by) < LEAST) return [];
      const { name } = ingredient(p.ingredient);
      return [
        {
          says: message('{g} of {name} went in, not {amount}', {
            g: { g },
            name: { within: term(name) },
            amount: { g: p.amount },
          }),
          made: by > 0 ? 'thicker' : 'thinner',
          by,
          sigmas: Number.POSITIVE_INFINITY,
        },
      ];
    });
  });
}
