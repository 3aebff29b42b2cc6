import { byThePlan, demoBatch, eventAt } from '../../../demo/batch';
import { type BatchEvent, EventBody } from '../batch/events';
import { batchState } from '../batch/state';
import { message } from '../message/message';
import { inEnglish } from '../text/inWords';
import { beginning, CHECK_AGAIN } from './begin';

const AGAIN = inEnglish(CHECK_AGAIN);

const { batch, plan, start } = demoBatch('smoked-parsnip-veloute', {
  litres: 20,
  pot: 'tall-steel-36',
  burner: 'floor-ring',
});
const last = plan.steps.length - 1;
const dosed = {
  steps: [{ kind: 'add' as const, items: [{ ingredient: 'water', amount: 500 }] }],
  viscosity: 150,
  bracket: [120, 190] as const,
  minutes: 4,
};
const cooked = byThePlan(plan, last);
const after = (Date.parse(cooked.at(-1)?.at ?? '') - start) / 1000;

/** What was written so far, and then `bodies`, a second apart from `seconds` on. */
const written = (before: readonly BatchEvent[], bodies: readonly EventBody[], seconds: number) => [
  ...before,
  ...bodies.map((b, n) => eventAt(200 + before.length + n, after + seconds + n, b)),
];
const titles = (events: readonly BatchEvent[]) => {
  const state = batchState({ ...batch, events });
  return { ...state, at: state.steps[state.current]?.title, all: state.steps.map((s) => s.title) };
};

test('words first, each a step; then what is dosed, a test, and the step of the plan that was at hand', () => {
  const chosen = {
    title: message('Water'),
    faults: ['too thick'] as const,
    how: [message('off the flame'), message('blend it')],
    minutes: 3,
    dosed,
  };
  const bodies = beginning(batchState({ ...batch, events: cooked }), chosen, inEnglish);
  for (const b of bodies) expect(EventBody.safeParse(b).success).toBe(true);
  expect(bodies.map((b) => b.kind)).toEqual([
    'corrected',
    'step-added',
    'step-added',
    'step-added',
    'step-added',
    'timer-started',
  ]);
  expect(bodies.at(-1)).toMatchObject({ name: 'Water', seconds: 7 * 60 });
  const state = titles(written(cooked, bodies, 1));
  expect(state.at).toBe('Off the flame');
  expect(state.all.slice(last)).toEqual([
    'Off the flame',
    'Blend it',
    expect.stringMatching(/water/i),
    AGAIN,
    batch.plan.steps[last]?.title,
  ]);
});

test('a second correction is at hand at once: the test that led to it is done, and nothing comes after its time', () => {
  const once = { title: message('Water'), faults: ['too thick'] as const, how: [], minutes: 0, dosed };
  const first = written(cooked, beginning(batchState({ ...batch, events: cooked }), once, inEnglish), 1);
  const water = first.find((e) => e.body.kind === 'step-added');
  const tested = [...first, eventAt(150, after + 60, { kind: 'step-done', step: water?.id ?? '' })];
  expect(titles(tested).at).toBe(AGAIN);
  const again = beginning(batchState({ ...batch, events: tested }), once, inEnglish);
  expect(again[0]).toMatchObject({ kind: 'step-done' });
  const state = titles(written(tested, again, 90));
  expect(state.at).toMatch(/water/i);
  expect(state.all.slice(state.current + 1)).toEqual([AGAIN, state.all.at(-1)]);
});

test('nothing dosed: no prediction is written; after the last step it still comes before the end', () => {
  const all = byThePlan(plan);
  const bodies = beginning(
    batchState({ ...batch, events: all }),
    {
      title: message('Lift it off'),
      faults: ['skin'],
      how: [message('lift it off')],
      minutes: 1,
      dosed: null,
    },
    inEnglish,
  );
  expect(bodies.some((b) => b.kind === 'corrected')).toBe(false);
  const end = (Date.parse(all.at(-1)?.at ?? '') - start) / 1000;
  const state = batchState({
    ...batch,
    events: [...all, ...bodies.map((b, n) => eventAt(300 + n, end + 1 + n, b))],
  });
  expect(state.stage).toBe('cooking');
  expect(state.steps[state.current]?.title).toBe('Lift it off');
});
