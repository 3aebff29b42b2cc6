import { byThePlan, demoBatch, eventAt } from '../demo/batch';
import type { BatchEvent } from '../src/core/batch/events';
import { follow } from '../src/core/batch/follow/follow';
import { DEVICES, simulatedBench } from '../src/devices/bench';
import { bar } from './kit/bar';
import { median, timed } from './kit/stats';

/**
 * One batch of a thousand events: what the next one costs, whatever it is, against following the batch from its
 * start; and its simulated devices.
 */
const of = demoBatch('smoked-parsnip-veloute', { litres: 20, pot: 'tall-steel-36', burner: 'floor-ring' });
const past = byThePlan(of.plan, 5);
const from = (Date.parse(past.at(-1)?.at ?? '') - of.start) / 1000;
const looks = Array.from({ length: 1000 }, (_, n) =>
  eventAt(100 + n, from + 2 * (n + 1), { kind: 'temperature', celsius: 90 + (n % 5) }),
);
const events: readonly BatchEvent[] = [...past, ...looks];
const at = from + 2010;
const before = follow({ ...of.batch, events });
const whole = median(timed(5, () => void follow({ ...of.batch, events })));
const last = looks.at(-1)?.id ?? '';
for (const [what, event, most] of [
  ['a reading', eventAt(2000, at, { kind: 'temperature', celsius: 92 }), 0.05],
  ['the last reading taken back', eventAt(2001, at, { kind: 'withdrawn', event: last }), 0.1],
  ['weighed, of a step to come', eventAt(2002, at, { kind: 'weighed', step: 8, item: 0, g: 40 }), 0.1],
] as const) {
  const more = median(timed(20, () => void follow({ ...of.batch, events: [...events, event] }, before)));
  bar(
    `a batch of ${events.length} events, ${what} ÷ the whole of it followed`,
    more / whole,
    { atMost: most },
    `${more.toFixed(1)} and ${whole.toFixed(0)} ms here`,
  );
}

const bench = simulatedBench();
const paired = eventAt(3000, 1, { kind: 'paired', what: 'thermometer', device: 'probe-1' });
bench.put({ ...of.batch, events: [paired, ...events] });
const second = median(
  timed(60, (n) => {
    for (const d of DEVICES) bench.read(d, of.start + (at + n) * 1000);
  }),
);
bar(
  'its simulated devices, share of a core',
  second / 1000,
  { atMost: 0.03 },
  `${second.toFixed(2)} ms a second`,
);
