import type { House } from '../kitchen/house';
import type { Lesson } from '../learn/own/batch/lesson';
import { keyOf } from '../learn/own/laws';
import { amended } from '../order/amended';
import { planFor } from '../plan/plan';
import { BATCH_SPREAD } from '../pot/kitchen';
import type { Recipe } from '../recipe/recipe';
import type { Logged } from './logged';
import type { PastBatch } from './notebook';

/** Noon of its day: nobody wrote the hour down. */
const noon = ({ day }: PastBatch): string => `${day}T12:00:00.000Z`;

/** A batch of a notebook as the log has it, under an id of its own. */
export const loggedPast = (id: string, p: PastBatch): Logged => ({
  id,
  recipeId: p.recipeId ?? '',
  recipeVersion: 0,
  name: p.soup,
  startedAt: noon(p),
  finishedAt: null,
  role: p.role,
  pot: p.pot,
  burner: '',
  askedMl: p.ml,
  target: p.bowl?.at ?? 0,
  band: p.bowl?.band ?? 'Coating',
  foreseen: null,
  measured: p.bowl?.by === 'test' ? p.bowl.at : null,
  landed: p.bowl?.band ?? null,
  firstMeasured: null,
  corrections: [],
  putIn: 0,
  skipped: 0,
  goesTo: null,
  yieldMl: p.ml,
  score: p.score,
  note: p.note,
  plannedSeconds: 0,
  tookSeconds: null,
  lateSeconds: null,
  cost: null,
  unpriced: 0,
  rightCost: null,
  fromNotebook: true,
});

/** Standard deviations of ln of the dose: nobody wrote down pot, flame and minutes; a band says less than a test. Our assumptions. */
const OFF = { untold: 0.08, band: 0.11 } as const;

/**
 * What a batch of a notebook teaches: so much of its thickener came out so thick, where the model would have wanted so much
 * for it. Null where the recipe is not known, nothing was read, or its thickener was not written down.
 */
export function pastLesson(id: string, p: PastBatch, recipe: Recipe, house: House): Lesson | null {
  if (!p.bowl) return null;
  const { own: _own, soup: _soup, ...kitchen } = house.kitchen;
  // Where a recipe gives every amount, its thickener is what is to be found.
  const plan = planFor(
    amended(recipe, {}),
    { litres: Math.min(500, Math.max(0.2, p.ml / 1000)), target: p.bowl.at },
    { ...recipe.home, kitchen },
  );
  const line = plan.weighOut.find((l) => l.solved === 'thickness');
  const given = line && p.amounts.find((a) => a.ingredient === line.ingredient)?.g;
  if (!line || !given || plan.solved.missed.length > 0) return null;
  const miss = Math.log(line.g / given);
  const error = Math.hypot(BATCH_SPREAD, OFF.untold, p.bowl.by === 'band' ? OFF.band : 0);
  return taughtLesson(id, noon(p), recipe.id, { ingredient: line.ingredient, miss, sure: 1 / error ** 2 });
}

/** What a batch of a notebook taught: of which thickener, how far off its dose was, ln, and how surely, one over variance. */
export type PastTaught = { readonly ingredient: string; readonly miss: number; readonly sure: number };

/** The lesson of a batch of a notebook: dose and soup cannot be told apart by it. */
export const taughtLesson = (
  id: string,
  at: string,
  recipeId: string,
  { ingredient, miss, sure }: PastTaught,
): Lesson => ({
  id,
  at,
  keys: [keyOf('flour', ingredient), keyOf('soup', recipeId)],
  precision: [
    [sure, sure],
    [sure, sure],
  ],
  shift: [miss * sure, miss * sure],
  counts: [1, 1],
  readings: 1,
  lots: {},
  foreseen: [],
  atEnd: [3, 3],
  could: [],
});

/** A batch of a notebook as an archive keeps it: what was read of it, and what it taught. */
export type KeptPast = Omit<PastBatch, 'line' | 'amounts'> & {
  readonly id: string;
  readonly taught: PastTaught | null;
};

/** The other way from {@link loggedPast} and {@link taughtLesson}. */
export function keptPast(l: Logged, lesson: Lesson | null): KeptPast {
  const by = l.measured !== null ? 'test' : 'band';
  const sure = lesson?.precision[0]?.[0];
  const [, ingredient] = lesson?.keys[0]?.split(' ') ?? [];
  return {
    id: l.id,
    day: l.startedAt.slice(0, 10),
    soup: l.name,
    recipeId: l.recipeId || null,
    ml: l.askedMl,
    bowl: l.landed === null ? null : { at: l.target, by, band: l.landed },
    pot: l.pot,
    role: l.role,
    score: l.score,
    note: l.note,
    taught: sure && ingredient ? { ingredient, miss: (lesson?.shift[0] ?? 0) / sure, sure } : null,
  };
}

/** A batch of a notebook out of an archive: as the log has it, and its lesson. */
export const pastOf = (p: KeptPast): { readonly logged: Logged; readonly lesson: Lesson | null } => {
  const logged = loggedPast(p.id, { ...p, line: 0, amounts: [] });
  return {
    logged,
    lesson: p.taught && p.recipeId ? taughtLesson(p.id, logged.startedAt, p.recipeId, p.taught) : null,
  };
};
