import { FILL_LIMIT, rimVolume, surfaceArea } from '../heat/vessel';
import { floorForAll } from '../pot/pans/lots';
import { peakIn, type Run } from './solve/simulate';
import type { Plan, Warning } from './types';

/** What of the pans beside the pot cannot be as it was picked: too full, without a burner, without an oven. */
export function pansBeside(plan: Omit<Plan, 'warnings'>, run: Run): Warning[] {
  const pans = Object.entries(run.beside).flatMap(([pan, place]): Warning[] => {
    const { vessel, burner, shares } = place;
    const [peakMl, rimMl] = [peakIn(run, pan), rimVolume(vessel)];
    const full = place.as !== 'tray' && peakMl > rimMl * FILL_LIMIT;
    return [
      ...(full
        ? [
            {
              id: `pan-full-${pan}`,
              kind: 'pan-full' as const,
              severity: peakMl > rimMl ? ('stop' as const) : ('danger' as const),
              pan,
              vessel: vessel.name,
              peakMl,
              rimMl,
            },
          ]
        : []),
      ...(shares && burner
        ? [
            {
              id: `no-burner-${pan}`,
              kind: 'no-burner' as const,
              severity: 'caution' as const,
              pan,
              burner: burner.name,
            },
          ]
        : []),
    ];
  });
  const roasts = run.ran.findIndex((r) => r.step.kind === 'roast');
  const none = plan.setup.kitchen.stands?.trays === 0;
  return roasts >= 0 && none
    ? [...pans, { id: 'no-oven', kind: 'no-oven', severity: 'danger', step: roasts }]
    : pans;
}

/** Minutes in lots from which another pan, or the oven, is worth a word. Our assumption. */
const LONG_IN_LOTS = 40;

/** Layers from which what is to brown stews instead. Our assumption. */
const STEWS = 2;

/** cm of a round pan with so many m² of floor. */
const across = (m2: number): number => Math.ceil(2 * Math.sqrt(m2 / Math.PI) * 100);

/** What is to brown and does not lie in one layer: in how many lots it goes, or that it stews. */
export const inLayers = (run: Run): Warning[] =>
  run.ran.flatMap(({ step, before }, n): Warning[] => {
    if (step.kind !== 'sweat' && step.kind !== 'roast') return [];
    const floor = floorForAll(step.items);
    const lots = (step.kind === 'sweat' ? step.lots : step.loads) ?? 1;
    const minutes = Math.round(lots * step.minutes);
    if (lots > 1 && minutes > LONG_IN_LOTS)
      return [
        {
          id: `many-lots-${n}`,
          kind: 'many-lots',
          severity: 'caution',
          step: n,
          lots,
          minutes,
          oven: step.kind === 'roast',
          wants: across(floor),
        },
      ];
    const layers = floor / surfaceArea(before.vessel);
    return step.kind === 'sweat' && step.to === 'gold' && !step.layer && layers >= STEWS
      ? [{ id: `crowded-${n}`, kind: 'crowded', severity: 'caution', step: n, layers, wants: across(floor) }]
      : [];
  });
