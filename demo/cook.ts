import { v5 } from 'uuid';
import type { BatchEvent, EventBody } from '../src/core/batch/events';
import { potAt } from '../src/core/batch/follow/ahead';
import { follow } from '../src/core/batch/follow/follow';
import type { Batch, RecordedPlan } from '../src/core/batch/record';
import { toRecord } from '../src/core/batch/toRecord';
import { bandOf, middleOf } from '../src/core/flow/bands';
import { ISO_ORIFICES } from '../src/core/flow/readings/cups';
import { readingFor } from '../src/core/flow/readings/reading';
import { depthOf } from '../src/core/heat/vessel';
import type { House } from '../src/core/kitchen/house';
import { planFor } from '../src/core/plan/plan';
import { portionsIn } from '../src/core/pot/contents/portions';
import { ROWS } from '../src/core/pot/kinds/rows';
import { BATCH_SPREAD, type Factor, type OwnNumber, type OwnNumbers } from '../src/core/pot/kitchen';
import { observe } from '../src/core/pot/observe';
import type { Portion } from '../src/core/pot/step';
import type { Recipe } from '../src/core/recipe/recipe';

/** What nobody in a simulated kitchen knows: its own numbers, by factor and thing, and how its people work. */
export type Hidden = {
  readonly numbers: { readonly [F in Factor | 'soup']?: Readonly<Record<string, number>> };
  /** How much more each role pours than it is to. */
  readonly pours: Readonly<Record<string, number>>;
  /** How much longer each kind of work takes. */
  readonly pace: Readonly<Record<string, number>>;
};

export type CookedOrder = {
  readonly house: House;
  readonly recipe: Recipe;
  readonly litres: number;
  readonly vesselId: string;
  readonly burnerId: string;
  readonly startedAt: number;
  readonly station: string;
  readonly hidden: Hidden;
  /** Standard normal numbers. */
  readonly normal: () => number;
  readonly id: string;
  /** Whether anybody tests it with the cup, and reads ruler and probe. */
  readonly reads: { readonly cup: boolean; readonly ruler: boolean; readonly probe: boolean };
};

const OWN = '6c1f5a2e-7f43-4b0e-9a55-2f4a8d0e6b71';

/** The house as it really is: the numbers of the hidden one, drawn for this batch as batches differ. */
function realNumbers(
  { numbers }: Hidden,
  recipeId: string,
  batch: number,
): { own: OwnNumbers; soup: OwnNumber } {
  const sure = (by: number): OwnNumber => ({ by, spread: 0, readings: 0 });
  const own = Object.fromEntries(
    Object.entries(numbers).map(([f, of]) => [
      f,
      Object.fromEntries(Object.entries(of ?? {}).map(([k, by]) => [k, sure(by)])),
    ]),
  ) as OwnNumbers;
  return { own, soup: sure((numbers.soup?.[recipeId] ?? 1) * Math.exp(BATCH_SPREAD * batch)) };
}

/** The plan with the pot as it really is: nothing of it is solved anew. */
function really(plan: RecordedPlan, real: ReturnType<typeof realNumbers>): RecordedPlan {
  const { cooked } = plan;
  if (!cooked) throw new Error('a plan of today has what it was cooked with');
  return {
    ...plan,
    steps: plan.steps.map(({ open: _open, ...s }) => s),
    cooked: { ...cooked, kitchen: { ...cooked.kitchen, ...real } as typeof cooked.kitchen },
  };
}

/** A batch cooked as people do: weighed a little off, tapped a little late, read with the errors readings have. */
export function cookedBatch(o: CookedOrder): {
  readonly batch: Batch;
  readonly plan: ReturnType<typeof planFor>;
} {
  const { house, recipe, normal, hidden, station } = o;
  const vessel = house.vessels.find((v) => v.id === o.vesselId);
  const burner = house.burners.find((b) => b.id === o.burnerId);
  if (!vessel || !burner) throw new Error(`no ${o.vesselId} or ${o.burnerId}`);
  const target = Math.round(middleOf(recipe.band, house.kitchen.bandLimits));
  const plan = planFor(recipe, { litres: o.litres, target }, { vessel, burner, kitchen: house.kitchen });
  const record = toRecord(plan, recipe);
  const real = realNumbers(hidden, recipe.id, normal());
  const truth = really(record, real);
  const events: BatchEvent[] = [];
  const iso = (seconds: number): string => new Date(o.startedAt + seconds * 1000).toISOString();
  const say = (seconds: number, body: EventBody): string => {
    const id = v5(`${o.id} ${events.length}`, OWN);
    events.push({ id, at: iso(seconds), station, body });
    return id;
  };
  const batch = (plan: RecordedPlan): Batch => ({
    id: o.id,
    recipeId: recipe.id,
    recipeVersion: 1,
    plan,
    startedAt: iso(0),
    serveAt: iso(record.seconds + 900),
    events,
  });
  /** The pot as it is at `seconds`. */
  const pot = (seconds: number) => {
    const f = follow(batch(truth), null, () => []);
    if (!f) throw new Error('a plan of today is followed');
    const { variant, secondsLeft } = potAt(f, o.startedAt + seconds * 1000);
    return { seen: observe(variant.pot, variant.kitchen), pot: variant.pot, left: secondsLeft };
  };
  let at = 0;
  let readRuler = false;
  weighedOut(o, record, say);
  for (const [n, step] of record.steps.entries()) {
    const does = step.does;
    if (!does) continue;
    const last = at;
    // It was weighed out before.
    const left = Math.max(15, pot(last).left - (ROWS[does.kind].madeReady ? 55 : 0));
    const attended = ROWS[does.kind].attended;
    const takes = attended
      ? left * (hidden.pace[does.kind] ?? 1) * Math.exp(0.12 * normal())
      : left + 10 + 25 * Math.abs(normal());
    const end = last + takes;
    if (o.reads.probe && does.kind === 'bring-to' && left > 240) {
      const when = last + left * 0.55;
      say(when, {
        kind: 'temperature',
        celsius: Math.round((pot(when).seen.celsius + 0.8 * normal()) * 10) / 10,
        from: 'Probe 1',
      });
    }
    if (o.reads.ruler && does.kind === 'simmer' && !readRuler && takes > 120) {
      readRuler = true;
      const when = end - 40;
      const { volumeMl } = pot(when).seen;
      const mm = depthOf(vessel, volumeMl * Math.exp(0.02 * normal())) + 2 * normal();
      say(when, { kind: 'depth', mm: Math.max(10, Math.round(mm)) });
    }
    say(end, { kind: 'step-done', step: n });
    at = end;
  }
  at += 40;
  if (o.reads.cup) at = tested(o, { at, pot, say, target });
  const { volumeMl } = pot(at).seen;
  say(at + 60, {
    kind: 'finished',
    goesTo: 'pass',
    yieldMl: Math.round(volumeMl * Math.exp(0.01 * normal())),
    score: Math.max(1, Math.min(5, Math.round(4.2 + 0.7 * normal()))),
  });
  return { batch: batch(record), plan };
}

/** All of it weighed out before the flame is lit, one thing after another, as this role pours. */
function weighedOut(
  { hidden, normal, station }: CookedOrder,
  { steps }: RecordedPlan,
  say: (seconds: number, body: EventBody) => string,
): void {
  const all = steps.flatMap(({ does }, step) =>
    does
      ? portionsIn<Portion>(does).flatMap((p, item) => (p.amount < 1 ? [] : [{ step, item, g: p.amount }]))
      : [],
  );
  const poured = hidden.pours[station] ?? 1;
  const took = all.map(() => 45 * (hidden.pace.weighing ?? 1) * Math.exp(0.4 * normal()));
  let at = -took.reduce((s, t) => s + t, 0) - 60;
  for (const [n, { step, item, g }] of all.entries()) {
    at += took[n] ?? 0;
    const scale = g * poured * Math.exp(0.012 * normal());
    say(at, { kind: 'weighed', step, item, g: Math.round(scale * 10) / 10 });
  }
}

type Stove = {
  readonly at: number;
  readonly pot: (seconds: number) => { readonly seen: ReturnType<typeof observe> };
  readonly say: (seconds: number, body: EventBody) => string;
  readonly target: number;
};

/** A cup as it runs: the middle one that can tell, two runs. */
function runOf({ pot, say }: Stove, at: number, normal: () => number): number | null {
  const { seen } = pot(at);
  const celsius = Math.round(seen.celsius - 4);
  for (const orifice of [...ISO_ORIFICES].toReversed()) {
    try {
      const seconds = readingFor({ kind: 'cup', orifice }, seen.bowlViscosity, celsius, seen.equivalents);
      if (seconds < 20 || seconds > 120) continue;
      const read = () => Math.round(seconds * Math.exp(0.02 * normal()) * 10) / 10;
      say(at, { kind: 'flow', test: { kind: 'cup', orifice }, readings: [read(), read()], celsius });
      return seen.bowlViscosity;
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
    }
  }
  return null;
}

/** The soup tested; out of its band it is put right, and tested again. Says when that was done. */
function tested(o: CookedOrder, stove: Stove): number {
  const { house, recipe, normal } = o;
  const read = runOf(stove, stove.at, normal);
  if (read === null) return stove.at;
  const limits = house.kitchen.bandLimits;
  if (bandOf(read, limits) === recipe.band) return stove.at;
  const { seen } = stove.pot(stove.at);
  const thin = read < stove.target;
  const ingredient = thin ? 'cornstarch' : 'vegetable-stock';
  const ratio = (stove.target / read) ** (1 / 3);
  const g = thin
    ? Math.round((seen.equivalents * (ratio - 1) * seen.waterMl) / 1000 / 1.9)
    : Math.round(seen.volumeMl * (1 / ratio - 1));
  if (g < 2) return stove.at;
  stove.say(stove.at + 60, {
    kind: 'corrected',
    faults: [thin ? 'thin' : 'thick'],
    title: thin ? 'Cornstarch slurry' : 'Let down with stock',
    predicted: stove.target,
    low: stove.target * 0.8,
    high: stove.target * 1.25,
  });
  const step = stove.say(stove.at + 90, {
    kind: 'step-added',
    before: 80,
    title: thin ? 'Whisk in the slurry, 2 min at the simmer' : 'Stir in hot stock',
    minutes: thin ? 3 : 1,
    does: thin
      ? {
          kind: 'thicken',
          thickener: { ingredient, amount: g },
          carrier: { ingredient: 'water', amount: g * 2 },
          method: 'slurry',
          minutes: 2,
          flame: 0.5,
        }
      : { kind: 'add', items: [{ ingredient, amount: g, celsius: 85 }] },
  });
  stove.say(stove.at + 330, { kind: 'step-done', step });
  runOf(stove, stove.at + 380, normal);
  return stove.at + 420;
}
