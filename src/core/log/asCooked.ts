import type { Batch } from '../batch/record';
import { batchState } from '../batch/state';
import { withPortions } from '../pot/contents/portions';
import type { Portion, Step } from '../pot/step';
import type { RecipeText } from '../recipe/recipe';
import { takenBack } from '../record/counting';
import { roundToScale } from '../units/shown/round';

/** A share as a recipe writes it. */
const shareText = (share: number): string =>
  share >= 0.999 ? 'all' : String(Math.round(share * 1000) / 1000);

/** A portion whose amount is figures, g, or is written out. */
type Written = Omit<Portion, 'amount'> & { readonly amount: number | string };

/** A step with its amounts as they went in, in a recipe’s words. */
function written(step: Step): object {
  const told = withPortions(step, (p: Written) => ({ ...p, amount: `${roundToScale(Number(p.amount))} g` }));
  return told.kind === 'puree' ? { ...told, fraction: shareText(told.fraction) } : told;
}

/**
 * The recipe of a batch as it was cooked: what was weighed, added and put right is part of it, what was left out is not. Its
 * name, school and home stay those of `recipe`; its yield is what came of it. Null where the batch has no steps to repeat.
 */
export function asCooked(recipe: RecipeText, batch: Batch): RecipeText | null {
  const { steps, finished } = batchState(batch);
  const gone = takenBack(batch.events);
  const done = steps.filter((s) => s.does !== null && !s.skipped);
  if (done.length === 0) return null;
  const beside = batch.events.flatMap((e): { at: number; step: Step }[] =>
    e.body.kind === 'put-in' && !gone.has(e.id)
      ? [
          {
            at: Date.parse(e.at),
            step: { kind: 'add', items: [{ ingredient: e.body.ingredient, amount: e.body.g }] },
          },
        ]
      : [],
  );
  const all: object[] = [];
  for (const s of done) {
    const until = s.done ? Date.parse(s.done.at) : Number.POSITIVE_INFINITY;
    // What was put in beside a step stands before the one it was put in during.
    for (const b of beside.splice(0)) {
      if (b.at <= until) all.push(written(b.step));
      else beside.push(b);
    }
    all.push(written(s.does as Step));
  }
  for (const b of beside) all.push(written(b.step));
  return {
    ...recipe,
    yieldLitres: Math.round(((finished?.yieldMl ?? batch.plan.litres * 1000) / 1000) * 100) / 100,
    steps: all as RecipeText['steps'],
  };
}
