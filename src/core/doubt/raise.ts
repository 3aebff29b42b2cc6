import { type Band, chanceOfBand } from '../flow/bands';
import { type Message, message } from '../message/message';
import type { Setup } from '../plan/solve/simulate';
import { type Factor, MEASURED } from '../pot/kitchen';
import { spreadIn } from '../pot/things';
import type { Recipe } from '../recipe/recipe';
import type { Spread } from './monteCarlo';

/** Something a cook can do so that more batches land, and what it would bring. */
export type Raise = {
  readonly id: string;
  readonly do: Message;
  readonly why: Message;
  readonly chance: number;
};

/** Standard deviations of the logarithm that are left once it is done. Our assumptions but for {@link MEASURED}. */
const LEFT = { ruler: 0.04, cup: 0.08, weighed: 0.01, passed: 0.12 } as const;

type Action = {
  readonly id: string;
  readonly do: Message;
  readonly why: Message;
  /** What is left of each factor's doubt. */
  readonly leaves: Partial<Record<Factor, number>>;
};

function actionsIn({ vessel, burner, kitchen }: Setup, blends: boolean): readonly Action[] {
  const tested = vessel.lossFactor !== undefined && burner.intoPotW !== undefined;
  return [
    ...(kitchen.measures === 'spoons'
      ? [
          {
            id: 'weigh',
            do: message('Weigh the flour'),
            why: message('A spoon holds a fifth more or less by how it is filled.'),
            leaves: { measuring: LEFT.weighed },
          },
        ]
      : []),
    {
      id: 'level',
      do: message('Read the level before the dairy and make it up'),
      why: message('A ruler on the wall takes out what boiled off and what the vegetables gave.'),
      leaves: { waterLoss: LEFT.ruler, burner: LEFT.ruler, juices: LEFT.ruler },
    },
    ...(tested
      ? []
      : [
          {
            id: 'water test',
            do: message('Give {name} a water test', { name: vessel.name }),
            why: message('Its own loss and the burner’s own power instead of the model’s guess.'),
            leaves: { waterLoss: MEASURED.waterLoss, burner: MEASURED.burner },
          },
        ]),
    {
      id: 'hold back',
      do: message('Hold back a tenth of the liquid, test by the cup, then let down'),
      why: message('A cup is read to a few hundredths; the flour’s own strength no longer matters.'),
      leaves: {
        flour: LEFT.cup,
        puree: LEFT.cup,
        leaching: LEFT.cup,
        measuring: LEFT.weighed,
        waterLoss: LEFT.ruler,
        burner: LEFT.ruler,
        juices: LEFT.ruler,
      },
    },
    ...(blends
      ? [
          {
            id: 'blend',
            do: message('Weigh what is blended, and blend it smooth each time'),
            why: message('How fine and how much is half of what a purée does.'),
            leaves: { puree: LEFT.passed },
          },
        ]
      : []),
  ];
}

/** Actions worth less than this are not worth a cook's eye. */
const WORTH = 0.005;

/**
 * The things that would raise the chance of landing in `band` most, best first, at most three. Each takes
 * its factors' share out of the variance the samples found.
 */
export function raises(
  spread: Spread,
  variance: number,
  band: Band,
  setup: Setup,
  recipe: Recipe,
): readonly Raise[] {
  const blends = recipe.steps.some((s) => s.kind === 'puree');
  const share = new Map(spread.contributions.map((c) => [c.factor, c.share]));
  const limits = setup.kitchen.bandLimits;
  const chanceWith = (v: number) => chanceOfBand(spread.median, Math.sqrt(v), band, limits);
  const now = chanceWith(variance);
  return actionsIn(setup, blends)
    .map((a) => {
      const taken = Object.entries(a.leaves).reduce((sum, [factor, left]) => {
        const f = factor as Factor;
        const part = Math.min(1, (left ?? 0) / spreadIn(f, recipe.steps, setup)) ** 2;
        return sum + (share.get(f) ?? 0) * (1 - part);
      }, 0);
      return { id: a.id, do: a.do, why: a.why, chance: chanceWith(variance * Math.max(0.01, 1 - taken)) };
    })
    .filter((r) => r.chance > now + WORTH)
    .sort((a, b) => b.chance - a.chance)
    .slice(0, 3);
}
