import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { portionsIn } from '../pot/contents/portions';
import type { StepKind } from '../pot/kinds/names';
import { type PanKind, panOf, THE_POT } from '../pot/pans/pan';
import type { RecipePortion, RecipeStep } from './recipeStep';
import type { RecipePan } from './things';

type PanIssue = { readonly path: readonly (string | number)[]; readonly says: Message };

/** What can be done in a tray or a bowl; in a pot or a pan everything but roasting can. */
const IN_A: { readonly [K in 'tray' | 'bowl']: ReadonlySet<StepKind> } = {
  tray: new Set(['roast', 'add', 'season', 'pour', 'rest']),
  bowl: new Set(['add', 'season', 'pour', 'puree', 'strain', 'rest', 'thicken']),
};

/** Whether a step of a kind can be done in a pan of a kind. */
export const canBeIn = (kind: StepKind, as: PanKind): boolean =>
  as === 'tray' || as === 'bowl' ? IN_A[as].has(kind) : kind !== 'roast';

/** What a pan has in it while the steps are gone through: whether anything, and anything that flows. */
type Filled = { full: boolean; wet: boolean; poured: boolean };

/** What cannot be of a recipe’s pans by themselves. */
function wrongPans(pans: readonly RecipePan[], steps: readonly RecipeStep[]): readonly PanIssue[] {
  const issues: PanIssue[] = [];
  for (const [n, pan] of pans.entries()) {
    const at = { path: ['pans', n, 'name'] };
    if (pans.findIndex((p) => p.name === pan.name) < n)
      issues.push({
        ...at,
        says: message('two pans are called “{name}”: give one another name', { name: pan.name }),
      });
    const used = steps.some((s) => s.in === pan.name || (s.kind === 'pour' && s.from === pan.name));
    if (!used)
      issues.push({
        ...at,
        says: message('nothing is done in “{name}”: put a step into it, or take the pan out', {
          name: pan.name,
        }),
      });
  }
  return issues;
}

/** What is wrong with where a step is done: no pan of this recipe, or none it can be done in; null where nothing is. */
function placeIssue(
  step: RecipeStep,
  n: number,
  as: PanKind | undefined,
  pans: readonly RecipePan[],
): PanIssue | null {
  const name = panOf(step);
  const path = ['steps', n, 'in'];
  if (as === undefined)
    return {
      path,
      says: message(
        'step {n} is done in “{pan}”, which is no pan of this recipe: {pans, select, none {it has none} other {it has {pans}}}',
        { n: n + 1, pan: name, pans: pans.map((p) => p.name).join(', ') || 'none' },
      ),
    };
  if (!canBeIn(step.kind, as))
    return {
      path,
      says:
        step.kind === 'roast'
          ? message('step {n} roasts: that is done on a tray in the oven, not in {as}', {
              n: n + 1,
              as: panWords(as, name),
            })
          : message('“{step}” cannot be done in {as}: choose a pot or a pan for step {n}', {
              n: n + 1,
              step: term(step.kind),
              as: panWords(as, name),
            }),
    };
  return as === 'bowl' && step.kind === 'thicken' && step.method !== 'slurry'
    ? {
        path,
        says: message('step {n} cooks its thickener: a bowl has no flame; choose a pot or a pan', {
          n: n + 1,
        }),
      }
    : null;
}

type Pour = Extract<RecipeStep, { kind: 'pour' }>;

/** What is wrong with what a step pours out of: no pan, itself, or nothing in it; null where nothing is. */
function pourIssue(step: Pour, n: number, from: Filled, isPan: (name: string) => boolean): PanIssue | null {
  const out = step.from ?? THE_POT;
  const path = ['steps', n, 'from'];
  const values = { n: n + 1, pan: nameWords(out) };
  if (!isPan(out))
    return {
      path,
      says: message('step {n} pours out of “{pan}”, which is no pan of this recipe', { n: n + 1, pan: out }),
    };
  if (out === panOf(step))
    return {
      path,
      says: message('step {n} pours {pan} into itself: choose another to pour into', values),
    };
  if (from.full) return null;
  return {
    path,
    says: from.poured
      ? message(
          'step {n} pours {pan} once more: it was poured out before, and nothing is in it since',
          values,
        )
      : message('step {n} pours out of {pan}, and nothing is in it by then', values),
  };
}

/** What is in two pans after one was poured into the other. */
function pourOver(step: Pour, from: Filled, into: Filled): void {
  const all = (step.share ?? 1) >= 1 && !step.of;
  into.full = true;
  into.wet ||= from.wet && step.takes !== 'pieces' && step.takes !== 'fat';
  from.poured = true;
  if (all && step.takes === 'all') [from.full, from.wet] = [false, false];
  if (all && step.takes === 'liquid') from.wet = false;
}

/**
 * The steps gone through pan by pan: whether each finds liquid in its pan, by `wets` of what goes in, and what cannot
 * be: a pan nobody named, one poured into itself, out of nothing, or never at all.
 */
export function throughPans(
  steps: readonly RecipeStep[],
  pans: readonly RecipePan[],
  wets: (step: RecipeStep) => boolean,
): { readonly wetBefore: readonly boolean[]; readonly issues: readonly PanIssue[] } {
  const kinds = new Map<string, PanKind>([[THE_POT, 'pot'], ...pans.map((p) => [p.name, p.as] as const)]);
  const found = new Map<string, Filled>();
  const inside = (name: string): Filled => {
    const known = found.get(name) ?? { full: false, wet: false, poured: false };
    found.set(name, known);
    return known;
  };
  const issues: PanIssue[] = [...wrongPans(pans, steps)];
  const told = (issue: PanIssue | null) => issue && issues.push(issue);
  const wetBefore = steps.map((step, n) => {
    const name = panOf(step);
    const pan = inside(name);
    const before = pan.wet;
    told(placeIssue(step, n, kinds.get(name), pans));
    if (!kinds.has(name)) return before;
    if (step.kind === 'pour') {
      const from = inside(step.from ?? THE_POT);
      told(pourIssue(step, n, from, (other) => kinds.has(other)));
      pourOver(step, from, pan);
      return before;
    }
    if (portionsIn<RecipePortion>(step).length > 0) pan.full = true;
    if (wets(step)) pan.wet = true;
    return before;
  });
  for (const [n, { name }] of pans.entries())
    if (inside(name).full && !inside(name).poured)
      issues.push({
        path: ['pans', n, 'name'],
        says: message('“{name}” is never poured into another: pour it into the pot, or cook it there', {
          name,
        }),
      });
  return { wetBefore, issues };
}

const nameWords = (name: string): Message =>
  name === THE_POT ? message('the pot') : message('“{name}”', { name });

const panWords = (as: PanKind, name: string): Message =>
  message(
    '{as, select, tray {the tray} bowl {the bowl} pan {the pan} other {the pot}}{name, select, none {} other { “{name}”}}',
    {
      as,
      name: name || 'none',
    },
  );
