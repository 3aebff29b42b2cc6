import { ingredient } from '../food/catalogue';
import { POURED } from '../food/ingredient';
import { type Figure, type Message, message } from '../message/message';
import { term } from '../message/term';
import { portionsIn } from '../pot/contents/portions';
import type { StepKind } from '../pot/kinds/names';
import type { StepRow } from '../pot/kinds/row';
import { ROWS } from '../pot/kinds/rows';
import type { Portion, Step } from '../pot/step';
import { inWords, wordsFor } from '../text/inWords';
import { duration } from '../units/shown/format';
import { jugWords, METRIC, massWords, type Show, volumeWords } from '../units/shown/show';

/** mL of what is poured, not weighed; null of the rest. */
export function pouredMl(id: string, g: number): number | null {
  const food = ingredient(id);
  return POURED.has(food.group) && typeof food.density === 'number' ? g / food.density : null;
}

/** mL from which what is poured is read in litres. */
export const READ_IN_LITRES = 995;

/** "1 300 g" or "8.6 L": poured things from a litre up are read in litres, or gallons. */
export function amountWords(id: string, g: number, show: Show = METRIC): string {
  const ml = pouredMl(id, g);
  if (ml !== null) {
    return ml >= READ_IN_LITRES ? volumeWords(ml, show) : jugWords(Math.round(ml / 5) * 5, show);
  }
  return massWords(g, show);
}

const nameOf = (id: string): Figure => ({ within: term(ingredient(id).name) });

/** The row of the kind a step is of. */
const rowOf = (step: Step) => ROWS[step.kind] as StepRow<StepKind>;

/** The step as an order: the cook's verb and what it is done to, to a pot that comes to it at `from` °C. */
export const titleAsMessage = (step: Step, from?: number): Message => rowOf(step).title(step, from);

/** The same as it is read. */
export const titleOf = (step: Step, from?: number, show: Show = METRIC): string =>
  inWords(titleAsMessage(step, from), show);

/** One thing that goes in: its place in the step, what the scale or jug is to show, what it is. */
type ItemLine = { readonly item: number; readonly figure: string; readonly name: string };

const AS = { puree: message('a purée'), mash: message('mash') } as const;

/** What goes in, one line each; of weight zero only what was really weighed so. */
export const itemLines = (
  step: Step,
  show: Show = METRIC,
  weighed?: { has(item: number): boolean },
): readonly ItemLine[] => {
  const say = wordsFor(show);
  return portionsIn<Portion>(step).flatMap((p, item) =>
    p.amount > 0 || weighed?.has(item)
      ? [
          {
            item,
            figure: amountWords(p.ingredient, p.amount, show),
            name: [
              say('{what}', { what: nameOf(p.ingredient) }),
              p.as ? say('ready as {what}', { what: AS[p.as] }) : '',
              p.prep ?? '',
            ]
              .filter(Boolean)
              .join(', '),
          },
        ]
      : [],
  );
};

/** How it is done, to a pot that comes to it at `from` °C: flame, lid, minutes, in how many goes. */
export const waysOf = (step: Step, from?: number, show: Show = METRIC): readonly string[] => {
  const say = wordsFor(show);
  return rowOf(step)
    .how(step, from)
    .map((m) => say(m));
};

/** Amounts, flame and lid of a step, one line each. */
export const detailsOf = (step: Step, from?: number, show: Show = METRIC): readonly string[] => [
  ...itemLines(step, show).map((l) => `${l.figure} ${l.name}`),
  ...waysOf(step, from, show),
];

/** Why the step is done so; null when it speaks for itself. */
export const reasonFor = (step: Step): Message | null => rowOf(step).why(step);

/** One line on the fire: "19 min to the simmer, then 31 min at it."; null without either. */
export function fireWords(
  steps: readonly { readonly step: Step; readonly seconds: number }[],
): Message | null {
  const first = steps.find((s) => s.step.kind === 'bring-to');
  const simmer = steps.find((s) => s.step.kind === 'simmer');
  const values = { first: duration(first?.seconds ?? 0), simmer: duration(simmer?.seconds ?? 0) };
  if (first && simmer) return message('{first} to the simmer, then {simmer} at it.', values);
  if (first) return message('{first} to the simmer.', values);
  return simmer ? message('{simmer} at it.', values) : null;
}
