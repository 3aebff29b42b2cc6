import { ingredient } from '../../food/catalogue';
import { FILL_LIMIT, rimVolume } from '../../heat/vessel';
import { massG } from '../../pot/contents';
import { cook, hardest, heatTo, simmersAt, tenderness } from '../../pot/cook';
import { LIMITS } from '../../safety/cautions';
import { saltBalance } from '../../season/salt';
import { litres, spaced } from '../../units/format';
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
    title: `By the model it is at ${Math.round(celsius)} °C: probe it`,
    how: ['stir it, probe in the middle', 'write it down on the stove, under Temperature'],
    saves: 'All of it.',
    cannot: '',
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
        title: 'By the model they are tender: say how the fork goes',
        how: [
          'a fork into the largest piece',
          'write it down on the stove, under Fork',
          'come back: then it is known how long they take',
        ],
        saves: 'All of it.',
        cannot: '',
        minutes: 1,
      });
    const names = [
      ...new Set(hard.map((p) => ingredient(p.ingredient).name.toLowerCase().split(',')[0])),
    ].join(' and ');
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
        ? `Cook the ${names || 'dice'} out of the pot`
        : `Simmer ${Math.ceil(hot)} min more, lid on`,
      how: dairy
        ? [
            `lift the ${names || 'dice'} out with a sieve spoon`,
            `boil them ${Math.ceil(Math.max(1, hot))} min in a little stock or water, lid on`,
            'back into the soup with a spoon of what they boiled in',
          ]
        : ['lid on, at the simmer', `the fork again after ${Math.ceil(hot)} min`],
      saves: 'All of it.',
      cannot: dairy
        ? `In the pot, under the dairy’s 84 °C, they take ${Math.ceil(gentle)} min${yolk ? ', and the yolk may not boil' : ''}.`
        : '',
      minutes: dairy ? hot + 3 : hot,
    });
  },
  'fish nearly done': ({ cure }) => {
    return cure({
      title: 'Lift it out, cool it, back at the last',
      how: [
        'lift it out with a sieve spoon onto a cold tray',
        'lid off, flame off',
        `back in two minutes before service: centre to ${LIMITS.fish.centre} °C for ${LIMITS.fish.forSeconds} s`,
      ],
      saves: 'What is not rubber yet.',
      cannot: 'What is rubber stays it.',
      minutes: 2,
    });
  },
  'too full': ({ ml, cure, measured }) => {
    const limit = rimVolume(measured.pot.vessel) * FILL_LIMIT;
    const out = Math.max(0, ml - limit);
    if (out === 0)
      return cure({
        title: `By the model it is under its line: ${litres(ml)} of ${litres(limit)} L`,
        how: [
          'hold a ruler to the wall',
          'write it down on the stove, under Level',
          'over the line: ladle it out',
        ],
        saves: 'All of it.',
        cannot: '',
        minutes: 1,
      });
    return cure({
      title: `Ladle ${litres(out)} L out`,
      how: [
        `into a clean pot, until it stands at ${litres(limit)} L`,
        'season and thicken both alike, or put them together at the pass',
        'hot soup by the ladle, never by tipping the pot',
      ],
      saves: 'All of it.',
      cannot: '',
      minutes: Math.max(1, out / 2000),
    });
  },
  'too cold': ({ seen, cure, measured }) => {
    if (seen.celsius >= SERVED_AT) return probed(seen.celsius, cure);
    const dairy = holdsDairy(measured);
    const heated = heatTo(measured.pot, SERVED_AT, { flame: dairy ? 0.6 : 1, lid: 'on' }, measured.kitchen);
    const minutes = (heated.pot.seconds - measured.pot.seconds) / 60;
    return cure({
      title: heated.stalled
        ? 'A stronger flame'
        : `Lid on, ${Math.max(1, Math.ceil(minutes))} min to ${SERVED_AT} °C`,
      how: [
        dairy ? 'middling flame, stir the bottom, never to the boil' : 'full flame, stir the bottom',
        ...(heated.stalled
          ? [`this burner leaves it at ${Math.round(heated.pot.celsius)} °C: take a stronger one`]
          : []),
      ],
      saves: 'All of it.',
      cannot:
        seen.celsius < LIMITS.hotHold.atLeast
          ? `It is under ${LIMITS.hotHold.atLeast} °C: if it was held, reheat it to ${LIMITS.reheat.to} °C, or throw it away.`
          : '',
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
      title: `Off the flame, lid off, ${Math.max(1, Math.ceil(minutes))} min to ${COOL_ENOUGH} °C`,
      how: ['lid off, stir now and then', 'ladled back and forth into a cold pot it takes a third of that'],
      saves: 'All of it.',
      cannot: '',
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
          ? `${spaced(toAdd, toAdd < 10 ? 1 : 0)} g of salt, half of it first`
          : 'It has its salt: try acid',
      how:
        toAdd >= 0.5
          ? ['half of it, stir, taste, then the rest', 'still flat: a squeeze of lemon, or pepper']
          : ['a squeeze of lemon or a spoon of vinegar: no more salt', 'a knob of butter, or pepper'],
      saves: 'All of it.',
      cannot: '',
      minutes: 1,
    });
  },
};
