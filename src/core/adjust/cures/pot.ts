import { ingredient } from '../../food/catalogue';
import { FILL_LIMIT, rimVolume } from '../../heat/vessel';
import { message } from '../../message/message';
import { term } from '../../message/term';
import { massG } from '../../pot/contents/contents';
import { cook, hardest, heatTo, simmersAt, tenderness } from '../../pot/cook';
import { LIMITS } from '../../safety/cautions';
import { RULES } from '../../safety/rules';
import { saltBalance } from '../../salt/salt';
import { holdsDairy } from '../means/thinner';
import type { Cure } from '../option';
import type { Case, Cures } from './case';

/** °C a soup is served at. Common practice, no source. */
const SERVED_AT = 75;

/** °C at which it can be served and dairy is safe in it. Common practice, no source. */
const COOL_ENOUGH = 80;

/** It feels otherwise than the model has it: then a probe decides. */
const probed = (celsius: number, cure: Case['cure']): Cure =>
  cure({
    title: message('By the model it is at {celsius}: probe it', { celsius: { celsius: celsius } }),
    how: [message('stir it, probe in the middle'), message('write it down on the stove, under Temperature')],
    saves: message('All of it.'),
    cannot: null,
    minutes: 1,
  });

/** Faults of what is in it, of the pot, its heat and its seasoning. */
export const OF_THE_POT: Cures<
  'hard dice' | 'fish nearly done' | 'too full' | 'too cold' | 'too hot' | 'too flat'
> = {
  'hard dice': ({ cure, measured }) => {
    const hard = measured.pot.pieces.filter((p) => tenderness(p) < 1);
    if (hard.length === 0)
      return cure({
        title: message('By the model they are tender: say how the fork goes'),
        how: [
          message('a fork into the largest piece'),
          message('write it down on the stove, under Fork'),
          message('come back: then it is known how long they take'),
        ],
        saves: message('All of it.'),
        cannot: null,
        minutes: 1,
      });
    const names = {
      and: [...new Set(hard.map((p) => p.ingredient))].map((id) => ({
        within: term(ingredient(id).name.split(',')[0] ?? id),
      })),
    };
    const yolk = measured.pot.yolkPeak > 0;
    const simmer = (hold: number) =>
      cook(measured.pot, { flame: 1, lid: 'on', hold }, measured.kitchen, {
        progress: (p) => hardest(p) - 1,
      });
    const hot = (simmer(simmersAt(measured.kitchen)).pot.seconds - measured.pot.seconds) / 60;
    const gentle = (simmer(84).pot.seconds - measured.pot.seconds) / 60;
    const dairy = measured.holds.includes('milk');
    return cure({
      title: dairy
        ? message('Cook the {names} out of the pot', { names })
        : message('Simmer {minutes} min more, lid on', { minutes: Math.ceil(hot) }),
      how: dairy
        ? [
            message('lift the {names} out with a sieve spoon', { names }),
            message('boil them {minutes} min in a little stock or water, lid on', {
              minutes: Math.ceil(Math.max(1, hot)),
            }),
            message('back into the soup with a spoon of what they boiled in'),
          ]
        : [
            message('lid on, at the simmer'),
            message('the fork again after {minutes} min', { minutes: Math.ceil(hot) }),
          ],
      saves: message('All of it.'),
      cannot: dairy
        ? message(
            'In the pot, under the dairy’s {at84}, they take {minutes} min{yolk, select, yes {, and the yolk may not boil} other {}}.',
            { at84: { celsius: 84 }, minutes: Math.ceil(gentle), yolk: yolk ? 'yes' : 'no' },
          )
        : null,
      minutes: dairy ? hot + 3 : hot,
    });
  },
  'fish nearly done': ({ cure }) => {
    return cure({
      title: message('Lift it out, cool it, back at the last'),
      how: [
        message('lift it out with a sieve spoon onto a cold tray'),
        message('lid off, flame off'),
        message('back in two minutes before service: centre to {centre} for {forSeconds} s', {
          centre: { celsius: LIMITS.fish.centre },
          forSeconds: LIMITS.fish.forSeconds,
        }),
      ],
      saves: message('What is not rubber yet.'),
      cannot: message('What is rubber stays it.'),
      minutes: 2,
    });
  },
  'too full': ({ ml, cure, measured }) => {
    const limit = rimVolume(measured.pot.vessel) * FILL_LIMIT;
    const out = Math.max(0, ml - limit);
    if (out === 0)
      return cure({
        title: message('By the model it is under its line: {ml} of {limit}', {
          ml: { ml: ml },
          limit: { ml: limit },
        }),
        how: [
          message('hold a ruler to the wall'),
          message('write it down on the stove, under Level'),
          message('over the line: ladle it out'),
        ],
        saves: message('All of it.'),
        cannot: null,
        minutes: 1,
      });
    return cure({
      title: message('Ladle {out} out', { out: { ml: out } }),
      how: [
        message('into a clean pot, until it stands at {limit}', { limit: { ml: limit } }),
        message('season and thicken both alike, or put them together at the pass'),
        message('hot soup by the ladle, never by tipping the pot'),
      ],
      saves: message('All of it.'),
      cannot: null,
      minutes: Math.max(1, out / 2000),
    });
  },
  'too cold': ({ seen, cure, measured }) => {
    if (seen.celsius >= SERVED_AT) return probed(seen.celsius, cure);
    const dairy = holdsDairy(measured);
    const rules = measured.kitchen.rules ?? RULES.fda;
    const heated = heatTo(measured.pot, SERVED_AT, { flame: dairy ? 0.6 : 1, lid: 'on' }, measured.kitchen);
    const minutes = (heated.pot.seconds - measured.pot.seconds) / 60;
    return cure({
      title: heated.stalled
        ? message('A stronger flame')
        : message('Lid on, {minutes} min to {served}', {
            minutes: Math.max(1, Math.ceil(minutes)),
            served: { celsius: SERVED_AT },
          }),
      how: [
        dairy
          ? message('middling flame, stir the bottom, never to the boil')
          : message('full flame, stir the bottom'),
        ...(heated.stalled
          ? [
              message('this burner leaves it at {celsius}: take a stronger one', {
                celsius: { celsius: heated.pot.celsius },
              }),
            ]
          : []),
      ],
      saves: message('All of it.'),
      cannot:
        seen.celsius < rules.hot.atLeast
          ? message('It is under {atLeast}: if it was held, reheat it to {to}, or throw it away.', {
              atLeast: { celsius: rules.hot.atLeast },
              to: { celsius: rules.reheat.to },
            })
          : null,
      minutes: Math.max(0, minutes),
    });
  },
  'too hot': ({ seen, cure, measured }) => {
    if (seen.celsius <= COOL_ENOUGH) return probed(seen.celsius, cure);
    const cooled = cook(measured.pot, { flame: 0, lid: 'off' }, measured.kitchen, {
      progress: (p) => COOL_ENOUGH - p.celsius,
      forSeconds: 3600,
    });
    const minutes = (cooled.pot.seconds - measured.pot.seconds) / 60;
    return cure({
      title: message('Off the flame, lid off, {minutes} min to {cool}', {
        minutes: Math.max(1, Math.ceil(minutes)),
        cool: { celsius: COOL_ENOUGH },
      }),
      how: [
        message('lid off, stir now and then'),
        message('ladled back and forth into a cold pot it takes a third of that'),
      ],
      saves: message('All of it.'),
      cannot: null,
      minutes,
    });
  },
  'too flat': ({ cure, measured }) => {
    const { toAdd } = saltBalance(
      Math.max(1, massG(measured.pot)),
      measured.pot.sodium,
      measured.kitchen.saltPercent,
    );
    return cure({
      title:
        toAdd >= 0.5
          ? message('{toAdd} of salt, half of it first', { toAdd: { g: toAdd } })
          : message('It has its salt: try acid'),
      how:
        toAdd >= 0.5
          ? [
              message('half of it, stir, taste, then the rest'),
              message('still flat: a squeeze of lemon, or pepper'),
            ]
          : [
              message('a squeeze of lemon or a spoon of vinegar: no more salt'),
              message('a knob of butter, or pepper'),
            ],
      saves: message('All of it.'),
      cannot: null,
      minutes: 1,
    });
  },
};
