import { byThePlan, demoBatch } from '../../../demo/batch';
import { portionsIn } from '../pot/contents/portions';
import type { Portion } from '../pot/step';
import { inEnglish } from '../text/inWords';
import type { EventBody } from './events';
import { potAt } from './follow/ahead';
import { follow } from './follow/follow';
import { type Against, askedAbout } from './plausible';

const VELOUTE = demoBatch('smoked-parsnip-veloute', {
  litres: 8,
  pot: 'tall-steel-36',
  burner: 'floor-ring',
});
/** The batch by its plan up to its seasoning. */
const last = VELOUTE.plan.steps.length - 1;
const events = byThePlan(VELOUTE.plan, last);
const f = follow({ ...VELOUTE.batch, events });
if (!f) throw new Error('it is followed');
const { variant } = potAt(f, Date.parse(events.at(-1)?.at ?? '') + 5000);
const of: Against = {
  pot: variant.pot,
  kitchen: f.kitchen,
  doesOf: (key) => f.state.steps.find((s) => s.key === key)?.does ?? null,
};
const asked = (body: EventBody, against = of) => {
  const found = askedAbout(body, against);
  return found && inEnglish(found);
};
const put = (ingredient: string, g: number): EventBody => ({ kind: 'put-in', ingredient, g });

test('400 g of salt in eight litres is five per cent: asked about; what it should have is not', () => {
  expect(asked(put('salt', 400))).toMatch(
    /^400 g of fine salt in [78]\.\d L make [45]\.\d % of salt, the house wants 0\.90 %: really\?$/,
  );
  expect(asked(put('salt', 40))).toBeNull();
  expect(asked(put('bouillon-powder', 400))).toMatch(/% of salt/);
});

test('more than runs over the rim, or than a third of the soup, is asked about; a ladle of stock is not', () => {
  expect(asked(put('water', 40_000))).toMatch(/over the rim/);
  expect(asked(put('water', 4000))).toMatch(/^4\u00a0000 g of water in .* really/);
  expect(asked(put('water', 800))).toBeNull();
});

describe('on the scale', () => {
  const roux = VELOUTE.plan.steps.findIndex((s) => s.step.kind === 'roux');
  const does = of.doesOf(roux);
  const flour = does?.kind === 'roux' ? does.flour.amount : Number.NaN;
  const item = does ? portionsIn<Portion>(does).findIndex((p) => p.amount === flour) : -1;
  const on = (times: number, against = of) =>
    asked({ kind: 'weighed', step: roux, item, g: flour * times }, against);

  test('what thickens is asked about from a fifth off, by spoons from nearly half', () => {
    expect(flour).toBeGreaterThan(50);
    expect(on(1.15)).toBeNull();
    expect(on(1.3)).toMatch(/are planned: really\?$/);
    expect(on(1 / 1.3)).toMatch(/are planned/);
    const spoons = { ...of, kitchen: { ...of.kitchen, measures: 'spoons' as const } };
    expect(on(1.3, spoons)).toBeNull();
    expect(on(1.6, spoons)).toMatch(/are planned/);
  });
  test('nothing of it is left out on purpose, and of no step there is nothing to ask', () => {
    expect(on(0)).toBeNull();
    expect(asked({ kind: 'weighed', step: 60, item: 0, g: 5 })).toBeNull();
  });
});

test('over the boil, or thirty degrees from what the model has, a temperature is asked about', () => {
  const boil = 100;
  expect(asked({ kind: 'temperature', celsius: boil + 6 })).toMatch(/over the boil/);
  expect(asked({ kind: 'temperature', celsius: of.pot.celsius - 25 })).toBeNull();
  expect(asked({ kind: 'temperature', celsius: of.pot.celsius - 35 })).toMatch(
    /the right pot, the right probe/,
  );
});

test('a level, a volume, a weight and a yield far from what went in are asked about', () => {
  const has = 8000;
  for (const times of [0.9, 1.1]) expect(asked({ kind: 'volume', ml: has * times })).toBeNull();
  for (const times of [0.5, 2]) {
    expect(asked({ kind: 'volume', ml: has * times })).toMatch(/where the model has/);
    expect(asked({ kind: 'finished', goesTo: 'cool', yieldMl: has * times })).toMatch(/where the model has/);
    expect(asked({ kind: 'mass', g: has * times })).toMatch(/where the model has/);
  }
  expect(asked({ kind: 'depth', mm: 20 })).toMatch(/where the model has/);
  expect(asked({ kind: 'finished', goesTo: 'pass' })).toBeNull();
});

test('a flow test five times off is of another pot', () => {
  const test = { kind: 'spoon', widthMm: 45, heightMm: 65, seconds: 10 } as const;
  expect(asked({ kind: 'flow', test, readings: [60], celsius: 80 })).toMatch(/the right test/);
  expect(asked({ kind: 'salt', taste: 'salty' })).toBeNull();
});
