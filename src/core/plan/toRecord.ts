import type { RecordedPlan } from '../batch/record';
import type { Plan } from './types';
import { detailsOf, reasonFor, titleOf } from './wording';

/** The plan in the form a batch keeps. */
export const toRecord = (plan: Plan): RecordedPlan => ({
  recipeName: plan.recipeName,
  litres: plan.order.litres,
  viscosity: plan.found.bowlViscosity,
  band: plan.found.band,
  vesselId: plan.stand.vessel.id,
  vesselName: plan.stand.vessel.name,
  burnerName: plan.stand.burner.name,
  seconds: plan.seconds,
  steps: plan.steps.map((s) => ({
    title: titleOf(s.step),
    details: [...detailsOf(s.step)],
    look: s.step.look ?? '',
    reason: reasonFor(s.step),
    startsAt: s.startsAt,
    seconds: s.seconds,
    celsius: s.celsius,
    volumeMl: s.volumeMl,
    cautions: [...s.cautions],
  })),
  cautions: plan.warnings.filter((w) => w.severity !== 'stop').map((w) => `${w.says} ${w.change}`),
});
