import { byThePlan, demoBatch, eventAt } from '../../../demo/batch';
import { spoken } from '../text/spoken';
import { differencesOf } from './differences';
import type { BatchEvent } from './events';
import { batchState } from './state';

const { batch, plan } = demoBatch('smoked-parsnip-veloute', {
  litres: 8,
  pot: 'middle-28',
  burner: 'front-right',
});
const found = (events: readonly BatchEvent[], yieldMl: number | null = null) => {
  const b = { ...batch, events };
  return differencesOf(b, batchState(b), yieldMl);
};
const planned = byThePlan(plan);

test('a batch that went as planned has nothing to say', () => {
  expect(found(planned, 8050)).toEqual([]);
});

test('a step that took much longer, and what stood on the scale', () => {
  const late = planned.map((e) => ({
    ...e,
    at: new Date(
      Date.parse(e.at) + (e.body.kind === 'step-done' && Number(e.body.step) >= 5 ? 600_000 : 0),
    ).toISOString(),
  }));
  const flour = plan.weighOut.find((l) => l.solved === 'thickness');
  const [step = 0, item = 0] = flour?.id.split('.').map(Number) ?? [];
  const weighed = eventAt(60, 500, { kind: 'weighed', step, item, g: 300 });
  expect(spoken(found([...late, weighed]))).toEqual([
    { what: 'Plain flour', planned: expect.stringMatching(/^1\d\d g$/), was: '300 g' },
    { what: 'Simmer until tender', planned: '24 min', was: '34 min' },
  ]);
});

test('marked at once afterwards, nothing is known of its time', () => {
  const marked = planned.map((e) => ({ ...e, at: planned.at(-1)?.at ?? e.at }));
  expect(found(marked.slice(1)).filter((d) => String(d.planned).includes('min'))).toEqual([]);
});

test('what was left out, put in, added, seen, coloured, and came of it', () => {
  const events = [
    eventAt(1, 60, { kind: 'step-skipped', step: 0, reason: 'done before' }),
    eventAt(2, 90, { kind: 'colour', step: 1, colour: 'brown' }),
    eventAt(3, 200, { kind: 'put-in', ingredient: 'water', g: 500 }),
    eventAt(4, 300, { kind: 'step-added', before: 3, title: 'Sieve it' }),
    eventAt(5, 400, { kind: 'look', looks: 'lumps' }),
    eventAt(6, 410, { kind: 'look', looks: 'smooth' }),
  ];
  const said = spoken(found(events, 6000)).map((d) => `${d.was} / ${d.planned}`);
  expect(said).toEqual([
    'brown / blond',
    '500 mL water / nothing',
    'Sieve it / nothing',
    'lumps / smooth',
    'left out: done before / 8 min',
    '6.0 L / 8.0 L',
  ]);
});
