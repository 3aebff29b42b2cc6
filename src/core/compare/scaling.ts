import { holding, rimVolume } from '../heat/vessel';
import type { House } from '../kitchen/house';
import { ORDER_BOUNDS } from '../order/bounds';
import type { Plan } from '../plan/types';
import { type PanPlace, THE_POT } from '../pot/pans/pan';
import { type OrderIn, planOrder } from './remedies';

/** One size of the same soup: what stays in step with the litres, and what does not. */
export type Scaled = {
  readonly by: number;
  readonly litres: number;
  readonly vesselId: string;
  readonly vesselName: string;
  readonly fits: boolean;
  /** Steam, as a share of the litres made. */
  readonly lossShare: number;
  readonly toSimmerSeconds: number;
  readonly simmerSeconds: number;
  readonly seconds: number;
  /** g of flour equivalent a litre, or share of the pot to blend; null when nothing is solved for. */
  readonly doseALitre: number | null;
  /** Pans beside the pot, each as what it stands and in how many lots or loads it is done. */
  readonly beside: readonly { readonly name: string; readonly place: PanPlace; readonly lots: number }[];
  /** Of the made-up liquid, L a litre made. */
  readonly liquidALitre: number;
};

const sum = (plan: Plan, kind: string): number =>
  plan.steps.filter((s) => s.pan === THE_POT && s.step.kind === kind).reduce((t, s) => t + s.seconds, 0);

/** In how many lots, or loads of the oven, what is done in a pan goes. */
const lotsOf = (plan: Plan, pan: string): number =>
  Math.max(
    1,
    ...plan.steps.flatMap(({ step, pan: own }) =>
      own !== pan
        ? []
        : step.kind === 'sweat'
          ? [step.lots ?? 1]
          : step.kind === 'roast'
            ? [step.loads ?? 1]
            : [],
    ),
  );

/** The pot asked for when it holds the size, else the smallest of the house's that does, else the largest. */
function potFor(house: House, wanted: string, litres: number): string {
  const fitting = holding(house.vessels, litres * 1050);
  if (fitting.some((v) => v.id === wanted)) return wanted;
  const largest = house.vessels.toSorted((a, b) => rimVolume(a) - rimVolume(b)).at(-1);
  return (fitting[0] ?? largest)?.id ?? wanted;
}

export const SIZES = [0.5, 1, 2, 4] as const;

/** The soup at half, once, twice and four times the litres asked for, each planned in a pot that holds it. */
export function scaling(ordered: OrderIn, sizes: readonly number[] = SIZES): readonly Scaled[] {
  const { house, order } = ordered;
  const [least, most] = ORDER_BOUNDS.litres;
  return sizes.flatMap((by) => {
    const litres = order.litres * by;
    if (litres < least || litres > most) return [];
    const vesselId = potFor(house, order.vesselId, litres);
    const plan = planOrder({ ...ordered, order: { ...order, litres, vesselId } });
    if (!plan) return [];
    const first = plan.steps.find((s) => s.pan === THE_POT && s.step.kind === 'bring-to');
    const { dose } = plan.solved.dosing;
    return [
      {
        by,
        litres,
        vesselId,
        vesselName: plan.setup.vessel.name,
        fits: plan.peakMl <= plan.fillLimitMl,
        lossShare: plan.steamG / (litres * 1000),
        toSimmerSeconds: first?.seconds ?? 0,
        simmerSeconds: sum(plan, 'simmer'),
        seconds: plan.seconds,
        beside: Object.entries(plan.beside).map(([name, place]) => ({
          name,
          place,
          lots: lotsOf(plan, name),
        })),
        doseALitre: dose > 1 ? dose / litres : dose > 0 ? dose : null,
        liquidALitre: plan.solved.dosing.liquid / (litres * 1000),
      },
    ];
  });
}
