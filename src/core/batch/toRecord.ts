import { LID_ESCAPE } from '../heat/waterLoss';
import type { Plan } from '../plan/types';
import { warningLine, warningWords } from '../plan/warningWords';
import { portionsIn } from '../pot/contents/portions';
import { type OwnNumbers, potUnderLid } from '../pot/kitchen';
import type { PansBeside } from '../pot/pans/pan';
import type { Portion } from '../pot/step';
import type { Recipe } from '../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../recipe/recipeStep';
import { TRADE } from '../safety/cautions';
import { inEnglish } from '../text/inWords';
import { cautionWords } from '../words/cautions';
import { detailsOf, reasonFor, titleOf } from '../words/steps';
import type { CookedWith, OpenAmount, RecordedPlan } from './record';

/** The amounts of a step the plan works out, by their place in it. */
function openIn(step: RecipeStep | undefined): OpenAmount[] {
  if (!step) return [];
  const items = portionsIn<RecipePortion>(step).flatMap(({ amount }, item): OpenAmount[] => {
    if (amount.kind === 'solve') return [{ item, goal: amount.goal }];
    return amount.kind === 'by rule' ? [{ item, goal: 'by rule' }] : [];
  });
  return step.kind === 'puree' && typeof step.fraction !== 'number'
    ? [...items, { item: 'fraction', goal: 'thickness' }]
    : items;
}

/** What the plan warns of in one step, as the stove says it there. */
const atStep = ({ warnings }: Plan, step: number) =>
  warnings
    .filter((w) => w.step === step)
    .map((w) => ({ id: w.id, ...warningWords(w), rule: w.rule ?? TRADE }));

/** The plan in the form a batch keeps: its words, and all the model needs to go along. `recipe` as it was planned. */
export const toRecord = (plan: Plan, written: Recipe): RecordedPlan => {
  // Its steps are in the order of the hands, as the plan has them.
  const recipe = plan.solved.of?.recipe ?? written;
  const { beside } = plan.solved.run;
  const { setup, aim } = plan;
  const { kitchen } = setup;
  return {
    recipeName: plan.recipeName,
    litres: aim.litres,
    viscosity: plan.found.bowlViscosity,
    band: plan.found.band,
    vesselId: setup.vessel.id,
    vesselName: setup.vessel.name,
    burnerName: setup.burner.name,
    seconds: plan.seconds,
    steps: plan.steps.map((s, n) => ({
      title: titleOf(s.step, s.from),
      details: [...detailsOf(s.step, s.from)],
      look: s.step.look ?? '',
      reason: reasonFor(s.step) ?? '',
      startsAt: s.startsAt,
      seconds: s.seconds,
      celsius: s.celsius,
      from: s.from,
      volumeMl: s.volumeMl,
      cautions: [
        ...s.cautions.map((c) => ({ id: c.id, ...cautionWords(c), rule: c.rule })),
        ...atStep(plan, n),
      ],
      does: s.step,
      open: openIn(recipe.steps[n]),
    })),
    cautions: plan.warnings.filter((w) => w.severity !== 'stop').map((w) => inEnglish(warningLine(w))),
    cooked: {
      target: aim.target,
      vessel: { ...setup.vessel },
      burner: { ...setup.burner },
      kitchen: {
        altitudeM: kitchen.altitudeM,
        airCelsius: kitchen.airCelsius,
        humidity: kitchen.humidity,
        bandLimits: [...kitchen.bandLimits],
        saltPercent: kitchen.saltPercent,
        measures: kitchen.measures ?? 'scale',
        flagged: [...(kitchen.flagged ?? [])],
        factors: { ...kitchen.factors },
        ...(kitchen.own && { own: ownIn(kitchen.own, plan) }),
        ...(kitchen.soup && { soup: { ...kitchen.soup } }),
        products: kitchen.products as CookedProducts,
      },
      ...(Object.keys(beside).length > 0 && { beside: besideRecord(beside) }),
    },
  };
};

/** Of the house's own numbers those the plan has to do with: of what goes in, of its pots under their lids, of its burners. */
function ownIn(own: OwnNumbers, { steps, setup, solved }: Plan): NonNullable<Cooked['own']> {
  const { beside } = solved.run;
  const vessels = [setup.vessel, ...Object.values(beside).map((p) => p.vessel)];
  const burners = [setup.burner, ...Object.values(beside).flatMap((p) => p.burner ?? [])];
  const has = new Set([
    ...steps.flatMap((s) => portionsIn<Portion>(s.step).map((p) => p.ingredient)),
    ...vessels.flatMap(({ id }) => Object.keys(LID_ESCAPE).map((lid) => potUnderLid(id, lid))),
    ...burners.map((b) => b.id),
  ]);
  return Object.fromEntries(
    Object.entries(own).flatMap(([factor, things = {}]) => {
      const kept = Object.entries(things).filter(([thing]) => has.has(thing));
      return kept.length > 0 ? [[factor, Object.fromEntries(kept.map(([t, n]) => [t, { ...n }]))]] : [];
    }),
  );
}

const besideRecord = (beside: PansBeside): CookedWith['beside'] =>
  Object.fromEntries(
    Object.entries(beside).map(([name, { as, vessel, burner, kept, trays }]) => [
      name,
      { as, vessel: { ...vessel }, burner: burner && { ...burner }, kept, trays },
    ]),
  );

type Cooked = CookedWith['kitchen'];
type CookedProducts = Cooked['products'];
