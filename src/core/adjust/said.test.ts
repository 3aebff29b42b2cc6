import { byThePlan, demoBatch, eventAt } from '../../../demo/batch';
import { demoKitchen } from '../../../demo/demo';
import type { EventBody } from '../batch/events';
import { type Followed, follow } from '../batch/follow/follow';
import { batchState } from '../batch/state';
import { adjust } from './adjust';
import { keptIn } from './larder';
import { agesOf, type Measured, measuredFrom } from './measured';
import type { Wishes } from './option';
import { otherwise } from './otherwise';
import { leavingOut, saltToCome, takenAsSeen } from './said';
import { asItIs } from './trial/pass';

const VELOUTE = demoBatch('smoked-parsnip-veloute', {
  litres: 20,
  pot: 'tall-steel-36',
  burner: 'floor-ring',
});
const wishes = (more: Partial<Wishes> = {}): Wishes => ({
  larder: keptIn(demoKitchen().products),
  minutes: 60,
  freeOf: [],
  pins: {},
  ...more,
});
const steps = VELOUTE.plan.steps.length - 1;

function followed(...more: Parameters<typeof eventAt>[]): { f: Followed; m: Measured; at: number } {
  const events = byThePlan(VELOUTE.plan, steps);
  const at = (Date.parse(events.at(-1)?.at ?? '') - VELOUTE.start) / 1000 + 5;
  const f = follow({ ...VELOUTE.batch, events: [...events, ...more.map((e) => eventAt(...e))] });
  if (!f) throw new Error('it is followed');
  return { f, m: measuredFrom(f, VELOUTE.start + at * 1000, VELOUTE.batch.plan.litres), at };
}

describe('too thick, and nothing was measured', () => {
  const { m } = followed();

  test('it is taken as half as thick again as it should be, and unsure by as much', () => {
    const seen = takenAsSeen(m, ['too thick']);
    expect(asItIs(seen).seen.bowlViscosity / m.target).toBeCloseTo(1.5, 1);
    expect(seen.doubt.thickness).toBeGreaterThanOrEqual(0.3);
    expect(asItIs(takenAsSeen(m, ['too thin'])).seen.bowlViscosity / m.target).toBeCloseTo(1 / 1.5, 1);
    expect(takenAsSeen(m, ['lumps'])).toBe(m);
  });

  test('so that there is something to do, a smaller step first', () => {
    const { options } = adjust(new Set(['too thick']), takenAsSeen(m, ['too thick']), wishes(), 3600);
    const [best] = options;
    expect(best?.struck).toBeNull();
    expect(best?.inTwo).not.toBeNull();
    expect((best?.viscosity ?? 0) / m.target).toBeCloseTo(1, 1);
  });
});

describe('too salty before the salt is in', () => {
  const { state } = { state: batchState({ ...VELOUTE.batch, events: byThePlan(VELOUTE.plan, steps) }) };

  test('what is still to come is found, and left out by an empty scale', () => {
    const toCome = saltToCome(state.steps);
    expect(toCome).toHaveLength(1);
    expect(toCome[0]?.g).toBeGreaterThan(20);
    const [body] = leavingOut(toCome);
    expect(body).toMatchObject({ kind: 'weighed', g: 0, step: toCome[0]?.step });
    const without = batchState({
      ...VELOUTE.batch,
      events: [...byThePlan(VELOUTE.plan, steps), ...(body ? [eventAt(300, 9000, body)] : [])],
    });
    expect(saltToCome(without.steps)).toEqual([]);
    const season = without.steps.find((s) => s.key === toCome[0]?.step)?.does;
    expect(season?.kind === 'season' && season.items.find((i) => i.ingredient === 'salt')?.amount).toBe(0);
  });

  test('once it is in there is none to leave out', () => {
    const all = batchState({ ...VELOUTE.batch, events: byThePlan(VELOUTE.plan, steps + 1) });
    expect(saltToCome(all.steps)).toEqual([]);
  });
});

describe('nothing fits the minutes', () => {
  const thin = takenAsSeen(followed().m, ['too thin']);
  const faults = new Set(['too thin'] as const);
  const left = (minutes: number) => {
    const w = wishes({ minutes });
    const { options } = adjust(faults, thin, w, 3600);
    return { options, left: otherwise(faults, thin, w, options, asItIs(thin).seen.bowlViscosity) };
  };

  test('where one does, there is nothing else to say', () => {
    expect(left(60).left).toBeNull();
  });
  test('the quickest is named, with how late it is', () => {
    const { options, left: found } = left(0);
    expect(options.every((o) => o.struck !== null)).toBe(true);
    expect(found?.quickest.struck).toBeNull();
    expect(found?.late).toBeCloseTo(found?.quickest.minutes ?? 0, 6);
    const doable = options.filter((o) => Math.abs(o.viscosity / thin.target - 1) < 0.02);
    expect(Math.min(...doable.map((o) => o.minutes))).toBeGreaterThanOrEqual(
      (found?.quickest.minutes ?? 0) - 0.01,
    );
  });
  test('and what a smaller step reaches by then, nearer than doing nothing', () => {
    const quickest = left(0).left?.quickest.minutes ?? 0;
    const { left: found } = left(quickest - 0.5);
    if (found?.smaller) {
      expect(found.smaller.minutes).toBeLessThanOrEqual(quickest - 0.5);
      const off = (v: number) => Math.abs(Math.log(v / thin.target));
      expect(off(found.smaller.viscosity)).toBeLessThan(off(asItIs(thin).seen.bowlViscosity));
    }
    expect(found?.late).toBeCloseTo(0.5, 1);
  });
  test('where only boiling down is left, part of the way there is what there is time for, if it is worth the pan', () => {
    const only = (minutes: number) => {
      const w = wishes({ minutes, larder: [] });
      const { options } = adjust(faults, thin, w, 3600);
      return otherwise(faults, thin, w, options, asItIs(thin).seen.bowlViscosity);
    };
    const half = only(10);
    expect(half?.quickest.id).toBe('reduce');
    expect(half?.smaller?.id).toBe('reduce');
    expect(half?.smaller?.minutes).toBeLessThanOrEqual(10);
    expect(half?.smaller?.minutes).toBeGreaterThan(9);
    expect(only(1)?.smaller).toBeNull();
  });
});

test('a flow test made before the blender no longer speaks of the soup', () => {
  const puree = VELOUTE.plan.steps.findIndex((s) => s.step.kind === 'puree');
  const flow: EventBody = {
    kind: 'flow',
    test: { kind: 'spoon', widthMm: 45, heightMm: 65, seconds: 10 },
    readings: [6],
    celsius: 85,
  };
  const before = byThePlan(VELOUTE.plan, puree);
  const at = (Date.parse(before.at(-1)?.at ?? '') - VELOUTE.start) / 1000 + 10;
  const agesWith = (done: number) => {
    const f = follow({
      ...VELOUTE.batch,
      events: [...byThePlan(VELOUTE.plan, done), eventAt(90, at, flow)],
    });
    return f && agesOf(f);
  };
  expect(agesWith(puree)?.since).toBeNull();
  expect(agesWith(puree)?.flow).toBe(VELOUTE.start + at * 1000);
  expect(agesWith(puree + 1)?.since).toBe(VELOUTE.batch.plan.steps[puree]?.title);
});
