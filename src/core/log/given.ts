import type { LotState } from '../keep/lot';
import { EIGHT_IN_TEN } from '../maths/normal';
import { weekdayOf } from '../service/service';
import type { Logged } from './logged';

/** What became of a soup on one day, mL: planned for its services, made, served, kept, thrown away; and what it cost. */
export type GivenOut = {
  readonly day: string;
  readonly recipeId: string;
  readonly name: string;
  readonly plannedMl: number;
  readonly madeMl: number;
  readonly servedMl: number;
  /** Still kept, or put by on its own. */
  readonly keptMl: number;
  readonly thrownMl: number;
  /** In the kitchen’s currency, as far as prices were known. */
  readonly cost: number;
  readonly thrownCost: number;
  /** Batches without any price. */
  readonly unpriced: number;
};

/** A batch with its day. */
type Dated = Logged & { readonly day: string };

/** What is planned of a soup on a day. */
export type PlannedSoup = {
  readonly day: string;
  readonly recipeId: string;
  readonly name: string;
  readonly ml: number;
};

/** Where the soup of a batch went, mL: by the lines of what was kept of it, or to the pass, or the bin, as it was finished. */
function whereTo(b: Logged, lot: LotState | undefined): Pick<GivenOut, 'servedMl' | 'keptMl' | 'thrownMl'> {
  const made = b.yieldMl ?? b.askedMl;
  if (b.goesTo === 'bin') return { servedMl: 0, keptMl: 0, thrownMl: made };
  if (!lot) return { servedMl: made, keptMl: 0, thrownMl: 0 };
  let [thrown, parted] = [0, 0];
  for (const { body } of lot.events) {
    if (body.kind === 'thrown away') thrown += body.ml;
    if (body.kind === 'parted') parted += body.ml;
  }
  const left = lot.over ? 0 : lot.ml;
  const kept = Math.min(made, parted + left);
  const gone = Math.min(made - kept, thrown);
  // What is neither there, nor thrown away, nor put by on its own went over the pass.
  return { servedMl: Math.max(0, made - kept - gone), keptMl: kept, thrownMl: gone };
}

/** By day and soup, days in order, the soups of a day by name. `kept` has the things kept, by their batch. */
export function givenOut(
  batches: readonly Dated[],
  kept: ReadonlyMap<string, LotState>,
  planned: readonly PlannedSoup[],
): readonly GivenOut[] {
  const rows = new Map<string, GivenOut>();
  const add = (day: string, recipeId: string, name: string, more: Partial<GivenOut>): void => {
    const key = `${day} ${recipeId}`;
    const was = rows.get(key) ?? {
      day,
      recipeId,
      name,
      plannedMl: 0,
      madeMl: 0,
      servedMl: 0,
      keptMl: 0,
      thrownMl: 0,
      cost: 0,
      thrownCost: 0,
      unpriced: 0,
    };
    const plus = (k: keyof GivenOut & `${string}Ml`): number => was[k] + (more[k] ?? 0);
    rows.set(key, {
      ...was,
      plannedMl: plus('plannedMl'),
      madeMl: plus('madeMl'),
      servedMl: plus('servedMl'),
      keptMl: plus('keptMl'),
      thrownMl: plus('thrownMl'),
      cost: was.cost + (more.cost ?? 0),
      thrownCost: was.thrownCost + (more.thrownCost ?? 0),
      unpriced: was.unpriced + (more.unpriced ?? 0),
    });
  };
  for (const p of planned) add(p.day, p.recipeId, p.name, { plannedMl: p.ml });
  for (const b of batches) {
    const made = b.yieldMl ?? b.askedMl;
    const to = whereTo(b, kept.get(b.id));
    const cost = b.cost ?? 0;
    add(b.day, b.recipeId, b.name, {
      ...to,
      madeMl: made,
      cost,
      thrownCost: made > 0 ? (cost * to.thrownMl) / made : 0,
      unpriced: b.cost === null ? 1 : 0,
    });
  }
  return [...rows.values()].toSorted((a, b) => a.day.localeCompare(b.day) || a.name.localeCompare(b.name));
}

/** What was served of a soup on this weekday before, and between what eight in ten such days would lie; mL. */
export type Proposed = {
  readonly recipeId: string;
  readonly name: string;
  readonly days: number;
  readonly ml: number;
  readonly low: number;
  readonly high: number;
};

/** Fewer days than this say nothing of the next. */
const FEWEST = 3;

/** What tomorrow may want of each soup, by the same weekday before: never taken by itself. `day` is tomorrow. */
export function proposedFor(day: string, before: readonly GivenOut[]): readonly Proposed[] {
  const bySoup = new Map<string, GivenOut[]>();
  for (const g of before)
    if (weekdayOf(g.day) === weekdayOf(day) && g.day < day && g.madeMl > 0)
      bySoup.set(g.recipeId, [...(bySoup.get(g.recipeId) ?? []), g]);
  return [...bySoup.values()]
    .flatMap((all): Proposed[] => {
      const n = all.length;
      const last = all.at(-1);
      if (n < FEWEST || !last) return [];
      const ml = all.reduce((s, g) => s + g.servedMl, 0) / n;
      // Of the next day, by so few: its own spread, and that of the mean.
      const spread = Math.sqrt((all.reduce((s, g) => s + (g.servedMl - ml) ** 2, 0) / (n - 1)) * (1 + 1 / n));
      return [
        {
          recipeId: last.recipeId,
          name: last.name,
          days: n,
          ml,
          low: Math.max(0, ml - EIGHT_IN_TEN * spread),
          high: ml + EIGHT_IN_TEN * spread,
        },
      ];
    })
    .toSorted((a, b) => b.ml - a.ml);
}
