import { ingredient } from '../../food/catalogue';
import { message } from '../../message/message';
import { term } from '../../message/term';
import { cook } from '../../pot/cook';
import type { Step } from '../../pot/step';
import { yolkState } from '../../pot/steps/temper';
import { CREAM_FOR_YOLK } from '../../thicken/methods';
import { THICKENERS } from '../../thickeners/thickeners';
import type { Measured } from '../measured';
import type { Means } from '../trial/trial';
import { NO_BOIL } from './short';

/** g a litre before it is another soup: cheese where it is made with it, where it is not, and potato flakes. Common practice, no source. */
const CHEESE = 80;
const STRANGE_CHEESE = 30;
const FLAKES = 60;

/** Dairy that melts in and thickens, and flakes that only want to be stirred in. */
export function stirred(measured: Measured, id: string, short: number): Means | null {
  const { thickener, name } = ingredient(id);
  if (!thickener) return null;
  const guess = short / THICKENERS[thickener].strength;
  const dairy = thickener !== 'potato flakes';
  const note = dairy ? NO_BOIL : message('do not blend it after: it turns gluey');
  return {
    id: `stirred.${id}`,
    title: dairy ? message('{name}, melted in', { name: term(name) }) : term(name),
    how: dairy
      ? [message('take it off the boil'), message('stir it in by handfuls until it has melted'), note]
      : [
          message('rain it into the hot pot, whisking'),
          message('give it two minutes before you judge'),
          note,
        ],
    steps: (g) => [
      { kind: 'add', items: [{ ingredient: id, amount: g }] },
      { kind: 'rest', minutes: dairy ? 3 : 2, lid: 'on' },
    ],
    guess,
    most: guess * 10 + 200,
    unit: 'g',
    needs: [id],
    makeReady: 1,
    hangsOn: 'flour',
    forecloses: [note],
    mostPerLitre: !dairy ? FLAKES : measured.contains.includes(id) ? CHEESE : STRANGE_CHEESE,
  };
}

/** Minutes off the heat until yolk may go in; null when that is more than half an hour. */
function untilCool(measured: Measured): number | null {
  const { limit } = yolkState({ ...measured.pot, yolkPeak: 0 }, measured.kitchen);
  if (measured.pot.celsius <= limit - 3) return 0;
  const cooled = cook(measured.pot, { flame: 0, lid: 'off' }, measured.kitchen, {
    progress: (p) => limit - 3 - p.celsius,
    forSeconds: 1800,
  });
  return cooled.pot.celsius <= limit - 2.5 ? (cooled.pot.seconds - measured.pot.seconds) / 60 : null;
}

/** Yolk and cream, tempered in; null when the pot cannot be cool enough within half an hour. `short` in g/L of flour equivalent. */
export function liaison(measured: Measured, short: number, larder: readonly string[]): Means | null {
  const wait = untilCool(measured);
  if (wait === null) return null;
  const yolk = larder.includes('egg-yolk-pasteurised') ? 'egg-yolk-pasteurised' : 'egg-yolk';
  const guess = short / THICKENERS.yolk.strength;
  return {
    id: 'liaison',
    title: message('Liaison of yolk and cream'),
    how: [
      ...(wait > 0
        ? [
            message('off the heat {minutes} min, until it is under {at87}', {
              at87: { celsius: 87 },
              minutes: Math.ceil(wait),
            }),
          ]
        : []),
      message('beat the yolks with {times} times their weight of cream', {
        times: CREAM_FOR_YOLK,
      }),
      message('ladles of soup into the bowl, stirring, until it is {at60}; back into the pot', {
        at60: { celsius: 60 },
      }),
      message('warm it to {at80}, never to the boil', { at80: { celsius: 80 } }),
    ],
    steps: (g) => [
      ...(wait > 0 ? [{ kind: 'rest', minutes: wait, lid: 'off' } satisfies Step] : []),
      {
        kind: 'temper',
        items: [
          { ingredient: yolk, amount: g },
          { ingredient: 'heavy-cream', amount: g * CREAM_FOR_YOLK, celsius: 5 },
        ],
        warmTo: 60,
        to: 80,
        flame: 0.4,
      },
    ],
    guess,
    most: guess * 10 + 100,
    unit: 'g',
    needs: [yolk, 'heavy-cream'],
    makeReady: 2,
    hangsOn: 'flour',
    forecloses: [
      message('never over {at85} again: the yolk would set', { at85: { celsius: 85 } }),
      message('it cannot be kept for tomorrow'),
    ],
  };
}
