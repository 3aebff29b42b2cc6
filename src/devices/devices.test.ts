import { demoBatch, eventAt, eventsAt } from '../../demo/batch';
import { potAt } from '../core/batch/follow/ahead';
import { readingFor } from '../core/flow/readings/reading';
import { observe } from '../core/pot/observe';
import { DEVICES, simulatedBench } from './bench';
import { celsiusAt, flowAt, nextOnScale, truth } from './truth';

const { batch, plan, start } = demoBatch('smoked-parsnip-veloute', {
  litres: 8,
  pot: 'middle-28',
  burner: 'front-right',
});
const [probe1, probe2, scale, timer] = DEVICES as [
  (typeof DEVICES)[0],
  (typeof DEVICES)[0],
  (typeof DEVICES)[0],
  (typeof DEVICES)[0],
];
const paired = [
  eventAt(1, 1, { kind: 'paired', what: 'thermometer', device: 'probe-1' }),
  eventAt(2, 2, { kind: 'paired', what: 'scale', device: 'scale-1' }),
  eventAt(3, 3, { kind: 'paired', what: 'flow timer', device: 'flow-1' }),
];
const taps = eventsAt(
  plan.steps.slice(0, 7).map((s, step) => [s.startsAt + s.seconds, { kind: 'step-done', step }]),
);
const at = (seconds: number) => start + seconds * 1000;

test('the probe paired with a pot follows it within its noise, the other shows the room', () => {
  const bench = simulatedBench();
  bench.put({ ...batch, events: [...paired, ...taps.slice(0, 4)] });
  const now = at((plan.steps[3]?.startsAt ?? 0) + 200);
  const really = truth({ ...batch, events: taps.slice(0, 4) });
  const shown = Array.from({ length: 50 }, () => bench.read(probe1, now) ?? 0);
  const mean = shown.reduce((a, b) => a + b, 0) / shown.length;
  expect(mean).toBeCloseTo(celsiusAt(really!, now), 0);
  expect(new Set(shown).size).toBeGreaterThan(3);
  expect(Math.abs((bench.read(probe2, now) ?? 0) - 24)).toBeLessThan(2);
});

test('no reading moves the pot that is really there', () => {
  const before = truth({ ...batch, events: taps });
  const lies = [
    eventAt(40, 900, { kind: 'temperature', celsius: 20 }),
    eventAt(41, 901, { kind: 'volume', ml: 3000 }),
  ];
  const after = truth({ ...batch, events: [...taps, ...lies] });
  const now = at(2900);
  expect(celsiusAt(after!, now)).toBeCloseTo(celsiusAt(before!, now), 1);
});

test('its factors are its own, the same each time, and not the model’s', () => {
  const one = truth({ ...batch, events: taps });
  const again = truth({ ...batch, events: taps });
  const other = truth({ ...batch, id: '00000000-0000-4000-8000-000000000001', events: taps });
  expect(one?.kitchen.factors).toEqual(again?.kitchen.factors);
  expect(one?.kitchen.factors).not.toEqual(other?.kitchen.factors);
  expect(one?.kitchen.factors).not.toEqual(plan.setup.kitchen.factors);
});

test('the scale shows the next thing to weigh, a little off, until it is written down', () => {
  const first = nextOnScale(batch) ?? 0;
  const planned = plan.weighOut[0]?.g ?? 0;
  expect(first / planned).toBeGreaterThan(0.93);
  expect(first / planned).toBeLessThan(1.07);
  const weighed = eventAt(9, 5, { kind: 'weighed', step: 0, item: 0, g: first });
  expect(nextOnScale({ ...batch, events: [weighed] })).not.toBe(first);
  const bench = simulatedBench();
  bench.put({ ...batch, events: paired });
  expect(bench.read(scale, at(10))).toBe(first);
});

test('the flow timer times what is really in the pot', () => {
  const bench = simulatedBench();
  bench.put({ ...batch, events: [...paired, ...taps] });
  const test = { kind: 'spoon', widthMm: 45, heightMm: 65, seconds: 10 } as const;
  const now = at((plan.steps[6]?.startsAt ?? 0) + (plan.steps[6]?.seconds ?? 0) + 5);
  const really = truth({ ...batch, events: taps })!;
  const { variant } = potAt(really, now);
  const seen = observe(variant.pot, variant.kitchen);
  expect(flowAt(really, now, test, 80)).toBeCloseTo(
    readingFor(test, seen.bowlViscosity, 80, seen.equivalents),
    6,
  );
  expect((bench.flow(timer, test, 80, now) ?? 0) / flowAt(really, now, test, 80)).toBeCloseTo(1, 0.7);
  // A cup that cannot tell so thin a soup gives nothing, not a made-up time.
  expect(bench.flow(timer, { kind: 'cup', orifice: 6 }, 80, at(0))).toBeNull();
});
