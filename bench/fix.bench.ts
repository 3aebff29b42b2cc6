import '../src/core/food/load';
import { byThePlan, demoBatch, eventAt } from '../demo/batch';
import { demoKitchen } from '../demo/demo';
import { corrections } from '../src/core/adjust/adjust';
import { measuredFrom } from '../src/core/adjust/measured';
import { potAt } from '../src/core/batch/follow/ahead';
import { follow } from '../src/core/batch/follow/follow';
import { readingFor } from '../src/core/flow/readings/reading';
import { observe } from '../src/core/pot/observe';
import { bar } from './kit/bar';
import { median, timed } from './kit/stats';

/** Every correction of one thin pot, each with its 2000 samples, against one of them. Run bundled, as the page's worker is. */
const SPOON = { kind: 'spoon', widthMm: 45, heightMm: 65, seconds: 10 } as const;
const of = demoBatch('smoked-parsnip-veloute', { litres: 20, pot: 'tall-steel-36', burner: 'floor-ring' });
const events = byThePlan(of.plan, 9);
const at = (Date.parse(events.at(-1)?.at ?? '') - of.start) / 1000 + 5;
const before = follow({ ...of.batch, events });
if (!before) throw new Error('it is followed');
const seen = observe(potAt(before, of.start + at * 1000).variant.pot, before.kitchen);
const reading = readingFor(SPOON, seen.bowlViscosity * 0.5, 80, seen.equivalents);
const test = eventAt(90, at, { kind: 'flow', test: SPOON, readings: [reading, reading], celsius: 80 });
const followed = follow({ ...of.batch, events: [...events, test] });
if (!followed) throw new Error('it is followed');
const measured = measuredFrom(followed, of.start + at * 1000 + 1000, 20);
const wishes = {
  larder: demoKitchen().products.map((p) => p.ingredient),
  minutes: 30,
  freeOf: [],
  pins: {},
};
const faults = new Set(['too thin'] as const);
const count = [...corrections(faults, measured, wishes)].length;
const all = median(timed(15, () => void [...corrections(faults, { ...measured }, wishes)]));
const one = median(timed(40, () => void corrections(faults, { ...measured }, wishes).next()));
bar(
  `${count} corrections of a thin pot ÷ the 300 ms they may take`,
  all / 300,
  { atMost: 1 },
  `each cooked a few times, and judged by 2000 draws of the house’s factors along its slopes, which are not cooked; ${(all / one).toFixed(1)} × one of them`,
);
