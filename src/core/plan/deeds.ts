import { volumeMl } from '../pot/contents/contents';
import { putInBy } from '../pot/contents/goesIn';
import { foodIn, type Kitchen } from '../pot/kitchen';
import { meant } from '../pot/steps/fire/meant';
import { type Caution, cautionsFor, type Deed } from '../safety/cautions';
import { CUTS } from '../thicken/puree';
import type { StepRun } from './solve/simulate';

/** A step as far as cautions need to know it: what goes in, how hot, what is blended or poured off. */
function deedOf({ step, before, pot, from }: StepRun): Deed {
  if (step.kind === 'pour' && before.waits)
    return {
      kind: step.kind,
      ingredients: (from?.before.pieces ?? []).filter((p) => meant(p, step.of)).map((p) => p.ingredient),
      celsius: before.celsius,
      waits: before.waits,
    };
  const ingredients = putInBy([step]).map((p) => p.ingredient);
  const deed: Deed = { kind: step.kind, ingredients, celsius: before.celsius };
  if (step.kind === 'puree' && CUTS[step.tool] > 0) {
    return { ...deed, blendedMl: volumeMl(before) * step.fraction, jug: step.tool === 'jug blender' };
  }
  if (step.kind === 'keep') return { ...deed, kept: { days: step.days, celsius: step.at } };
  if (step.kind === 'render') return { ...deed, fatPouredOff: pot.removed - before.removed };
  return deed;
}

const inKitchen = (deed: Deed, kitchen: Kitchen): readonly Caution[] =>
  cautionsFor(deed, (id) => foodIn(kitchen, id), kitchen.flagged, kitchen.rules);

/** The cautions of one step, where they apply. */
export const cautionsOf = (ran: StepRun, kitchen: Kitchen): readonly Caution[] =>
  inKitchen(deedOf(ran), kitchen);

/** What a plan shows before the start: each caution of its steps once, the allergens of all of them in one. */
export function gathered(ran: readonly StepRun[], kitchen: Kitchen): readonly Caution[] {
  const byId = new Map<string, Caution>();
  for (const c of ran.flatMap((r) => cautionsOf(r, kitchen))) {
    if (c.kind !== 'allergens' && !byId.has(c.id)) byId.set(c.id, c);
  }
  const ingredients = ran.flatMap((r) => deedOf(r).ingredients);
  const allergens = inKitchen({ kind: 'add', ingredients, celsius: 0 }, kitchen)
    .filter((c) => c.kind === 'allergens')
    .map((c) => ({ ...c, of: 'soup' as const }));
  return [...byId.values(), ...allergens];
}
