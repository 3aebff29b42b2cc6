import { LADDER_RANGE } from '../flow/bands';
import { heatInto } from '../heat/burner';
import { holding, rimVolume } from '../heat/vessel';
import type { House } from '../house/house';
import { type Amendment, amended } from '../order/ways';
import { planFor } from '../plan/plan';
import type { Plan, Warning } from '../plan/types';
import type { Recipe } from '../recipe/recipe';
import { litres as inLitres, mPas, spaced } from '../units/format';

/** What a plan was asked with, as far as a remedy can change it. */
export type Asked = Amendment & {
  readonly litres: number;
  readonly viscosity: number;
  readonly vesselId: string;
  readonly burnerId: string;
  readonly rule?: Plan['order']['rule'];
  readonly colour?: Plan['order']['colour'];
};

/** A change that makes a warning go away, ready to be applied. */
export type Remedy = { readonly words: string; readonly change: Partial<Asked> };

/** Butter is this share fat. */
const BUTTER_FAT = 0.81;
/** Remedies shown for one warning. */
const MOST = 3;

/** The house and its recipe, as written, that `asked` speaks of. */
export type Question = { readonly house: House; readonly recipe: Recipe; readonly asked: Asked };

/** Plans what is asked in this house; null when a pot or burner is not there. */
export function planAsked({ house, recipe, asked }: Question): Plan | null {
  const vessel = house.vessels.find((v) => v.id === asked.vesselId);
  const burner = house.burners.find((b) => b.id === asked.burnerId);
  if (!vessel || !burner) return null;
  const { litres, viscosity, rule, colour } = asked;
  return planFor(
    amended(recipe, asked),
    { litres, viscosity, rule, colour },
    { vessel, burner, kitchen: house.kitchen },
  );
}

const roundedDown = (litres: number): number => Math.floor(litres * 10) / 10;

function candidates(w: Warning, plan: Plan, { house, asked, recipe }: Question): readonly Remedy[] {
  const scale = asked.litres / recipe.yieldLitres;
  const pots = holding(house.vessels, plan.peakMl)
    .filter((v) => v.id !== asked.vesselId)
    .map((v) => ({ words: `Take ${v.name} (${inLitres(rimVolume(v))} L)`, change: { vesselId: v.id } }));
  const stronger = house.burners
    .filter((b) => heatInto(b, 1) > heatInto(plan.stand.burner, 1))
    .sort((a, b) => heatInto(a, 1) - heatInto(b, 1))
    .map((b) => ({ words: `Use ${b.name}`, change: { burnerId: b.id } }));
  const make = (litres: number): Remedy => ({
    words: `Make ${spaced(litres, 1)} L`,
    change: { litres },
  });
  const aim = (viscosity: number): Remedy => ({
    words: `Aim for ${mPas(viscosity)} mPa·s`,
    change: { viscosity },
  });
  const found = plan.found.bowlViscosity;
  const [low, high] = LADDER_RANGE;
  if (w.id === 'overflow' || w.id === 'headroom') {
    return [...pots, make(roundedDown((asked.litres * plan.fillLimitMl * 0.99) / plan.peakMl))];
  }
  if (w.id === 'shallow') return pots;
  if (w.id === 'too thick without') return found < high ? [aim(Math.ceil(found * 1.02))] : [];
  if (w.id === 'too thin with all') return found > low ? [aim(Math.floor(found * 0.98))] : [];
  if (w.id === 'no room for liquid') {
    const needed = (plan.found.volumeMl / 1000) * 1.05;
    return [make(Math.ceil(needed * 10) / 10)];
  }
  if (w.id.startsWith('stalled') || w.id.startsWith('hard'))
    return [...stronger, make(roundedDown(asked.litres / 2))];
  if (w.id === 'slow') {
    return [{ words: 'Start from hot stock, 80 °C', change: { liquidAt: 80 } }, ...stronger];
  }
  if (w.id === 'dairy') {
    return [
      { words: 'Warm the dairy first', change: { dairy: 'warm' } },
      { words: 'Put the dairy in last, under the simmer', change: { dairy: 'last' } },
      { words: 'Take cream of 35 % instead', change: { dairy: 'richer' } },
    ];
  }
  if (w.id === 'fat-short' && w.grams) {
    // The vegetables soak up part of it, and more fat wants a little more flour: tried in growing amounts.
    const short = w.grams / BUTTER_FAT;
    return [1.2, 1.6, 2, 2.6].map((by) => {
      const perYield = Math.ceil(((short * by) / scale) * 10) / 10;
      return {
        words: `Add ${spaced(Math.ceil(perYield * scale))} g butter before the flour`,
        change: { moreFat: perYield + (asked.moreFat ?? 0) },
      };
    });
  }
  if (w.id === 'fat-over' && plan.order.rule !== 'three-to-two') {
    return recipe.steps.some((s) => s.kind === 'roux')
      ? [{ words: 'Three flour to two fat', change: { rule: 'three-to-two' } }]
      : [];
  }
  if (w.id === 'raw-flour' && w.minutes) {
    const more = Math.ceil(w.minutes) + (asked.moreSimmer ?? 0);
    return [{ words: `Simmer ${Math.ceil(w.minutes)} min more`, change: { moreSimmer: more } }];
  }
  return [];
}

/**
 * What would make `warning` go away, each tried by planning it: only what helps, and brings no new reason
 * to stop, is offered.
 */
export function remediesFor(warning: Warning, plan: Plan, question: Question): readonly Remedy[] {
  const stops = (p: Plan) => new Set(p.warnings.filter((w) => w.severity === 'stop').map((w) => w.id));
  const before = stops(plan);
  const helping: Remedy[] = [];
  for (const remedy of candidates(warning, plan, question)) {
    if (helping.length === MOST) break;
    if (remedy.change.litres !== undefined && remedy.change.litres < 0.2) continue;
    const next = planAsked({ ...question, asked: { ...question.asked, ...remedy.change } });
    const still = next?.warnings.find((w) => w.id === warning.id);
    // A danger that is left a caution is worth offering; a caution has to go.
    if (!next || (still && !(warning.severity !== 'caution' && still.severity === 'caution'))) continue;
    if ([...stops(next)].some((id) => !before.has(id))) continue;
    helping.push(remedy);
    // More butter than is enough is no other remedy.
    if (remedy.change.moreFat !== undefined) break;
  }
  return helping;
}
