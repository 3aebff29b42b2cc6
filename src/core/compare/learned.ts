import { type Message, message } from '../message/message';
import { term } from '../message/term';
import type { Aim } from '../order/order';
import { planFor } from '../plan/plan';
import type { Dosing } from '../plan/solve/resolve';
import type { Setup } from '../plan/solve/simulate';
import { doseIsShare } from '../plan/solve/solve';
import { foodIn, forSoup, type Kitchen } from '../pot/kitchen';
import { thingsOf } from '../pot/things';
import type { Recipe } from '../recipe/recipe';

/** What a plan owes to what its kitchen has learned. */
export type Learned = {
  /** The numbers that bear on it most, in words, with the readings each rests on. */
  readonly says: readonly Message[];
  /** g of the thickener more than by the book, or the share of the pot, 0–1; null where nothing is solved for thickness. */
  readonly more: { readonly by: number; readonly of: 'g' | 'share'; readonly name: string | null } | null;
};

/** A number nearer to the book’s than this, ln, is not worth a word. */
const WORTH = 0.02;

const percentOf = (by: number) => ({
  percent: Math.round(Math.abs(by - 1) * 100),
  more: by > 1 ? 'yes' : 'no',
});

/**
 * Of the numbers of a kitchen those this soup here hangs on: what thickens it first, then where it is cooked; of each kind the
 * furthest from the book before the others.
 */
function numbersFor(recipe: Recipe, setup: Setup): readonly Message[] {
  const { own } = setup.kitchen;
  if (!own) return [];
  const found: { readonly off: number; readonly thickens: boolean; readonly says: Message }[] = [];
  const add = (
    by: number | undefined,
    says: (figures: ReturnType<typeof percentOf>) => Message,
    thickens = true,
  ): void => {
    if (by !== undefined && Math.abs(Math.log(by)) > WORTH)
      found.push({ off: Math.abs(Math.log(by)), thickens, says: says(percentOf(by)) });
  };
  const readings = (n: number) =>
    message('{n, plural, =0 {by hand} one {from one reading} other {from # readings}}', { n });
  for (const [id] of thingsOf('flour', recipe.steps, setup)) {
    const known = own.flour?.[id];
    add(known?.by, (f) =>
      message(
        'your {name} is {percent} % {more, select, yes {stronger} other {weaker}} than the book, {readings}',
        {
          ...f,
          name: { within: term(foodIn(setup.kitchen, id).name) },
          readings: readings(known?.readings ?? 0),
        },
      ),
    );
  }
  for (const [id] of thingsOf('puree', recipe.steps, setup)) {
    const known = own.puree?.[id];
    add(known?.by, (f) =>
      message('your {name} thickens {percent} % {more, select, yes {more} other {less}}, {readings}', {
        ...f,
        name: { within: term(foodIn(setup.kitchen, id).name) },
        readings: readings(known?.readings ?? 0),
      }),
    );
  }
  for (const [pot] of thingsOf('waterLoss', recipe.steps, setup)) {
    const known = own.waterLoss?.[pot];
    add(
      known && known.readings > 0 ? known.by : undefined,
      (f) =>
        message('{name} gives off {percent} % {more, select, yes {more} other {less}}', {
          ...f,
          name: setup.vessel.name,
        }),
      false,
    );
  }
  add(
    own.burner?.[setup.burner.id]?.by,
    (f) =>
      message('{name} is {percent} % {more, select, yes {stronger} other {weaker}} than its label', {
        ...f,
        name: setup.burner.name,
      }),
    false,
  );
  const soup = own.soup?.[recipe.id];
  add(soup?.by, (f) =>
    message(
      'this soup comes out {percent} % {more, select, yes {stronger} other {weaker}} here, {readings}',
      {
        ...f,
        readings: readings(soup?.readings ?? 0),
      },
    ),
  );
  return found
    .toSorted((a, b) => Number(b.thickens) - Number(a.thickens) || b.off - a.off)
    .map((f) => f.says);
}

/** The kitchen as it would be by the book. */
const byTheBook = ({ own: _own, soup: _soup, ...kitchen }: Kitchen): Kitchen => kitchen;

/** What the plan of `aim` owes to what the kitchen has learned; null where it owes nothing. `dosing` is the plan’s. */
export function learnedIn(recipe: Recipe, aim: Aim, setup: Setup, dosing: Dosing): Learned | null {
  const here = { ...setup, kitchen: forSoup(recipe.id, setup.kitchen) };
  const says = numbersFor(recipe, here);
  if (says.length === 0) return null;
  const plain = planFor(recipe, aim, { ...setup, kitchen: byTheBook(setup.kitchen) });
  const share = doseIsShare(recipe);
  const line = plain.weighOut.find((l) => l.solved === 'thickness');
  if (!share && !line) return { says, more: null };
  // A gram of this thickener is so much of the dose.
  const by = share
    ? dosing.dose - plain.solved.dosing.dose
    : (dosing.dose / Math.max(1e-9, plain.solved.dosing.dose) - 1) * (line?.g ?? 0);
  return { says, more: { by, of: share ? 'share' : 'g', name: line?.name ?? null } };
}

/** Of a dose less than this, g or a share, nobody need be told. */
const LEAST = { g: 1.5, share: 0.01 } as const;

/** It in one sentence. */
export function learnedWords({ says, more }: Learned): Message {
  const known = { all: says.slice(0, 2) };
  if (!more || Math.abs(more.by) < LEAST[more.of])
    return message('By your own readings: {known}.', { known });
  return more.of === 'share'
    ? message(
        'By your own readings: {known}. {percent} % of the pot {more, select, yes {more} other {less}} is blended for it.',
        { known, percent: Math.round(Math.abs(more.by) * 100), more: more.by > 0 ? 'yes' : 'no' },
      )
    : message(
        'By your own readings: {known}. The dose has {g} {more, select, yes {more} other {less}} for it.',
        { known, g: { g: Math.abs(more.by) }, more: more.by > 0 ? 'yes' : 'no' },
      );
}
