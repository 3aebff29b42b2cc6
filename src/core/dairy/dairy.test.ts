import { type DairyState, splitRisk } from './risk';
import { temperingSchedule } from './tempering';

const calm: DairyState = {
  pH: 6.4,
  celsius: 80,
  boiled: false,
  fatPercent: 3.3,
  saltPercent: 0.8,
  equivalents: 0,
  shock: 20,
};
const grade = (more: Partial<DairyState>) => splitRisk({ ...calm, ...more }).grade;

test('warm milk in a mild pot is safe, boiled in an acid one it splits', () => {
  expect(grade({})).toBe('safe');
  expect(grade({ boiled: true, pH: 5.2, shock: 75 })).toBe('will split');
});

test('fat, starch and warming each make it safer; acid, boiling and salt worse', () => {
  const order = ['safe', 'take care', 'likely to split', 'will split'];
  const at = (more: Partial<DairyState>) => order.indexOf(grade(more));
  const risky: Partial<DairyState> = { boiled: true, pH: 5.4, celsius: 100 };
  expect(at({ ...risky, fatPercent: 36 })).toBeLessThan(at(risky));
  expect(at({ ...risky, equivalents: 50 })).toBeLessThanOrEqual(at(risky));
  expect(at({ ...risky, pH: 6.4 })).toBeLessThan(at(risky));
  expect(grade({ pH: 4.4 })).toBe('will split');
});

test('the reasons come worst first', () => {
  const { reasons } = splitRisk({ ...calm, boiled: true, saltPercent: 1.2, shock: 76 });
  expect(reasons.map((r) => r.kind)).toEqual(['boils', 'cold', 'salty']);
  expect(reasons.map((r) => r.weight)).toEqual([...reasons.map((r) => r.weight)].sort((a, b) => b - a));
});

describe('tempering', () => {
  const bowl = { liaison: 1500, liaisonCelsius: 8, ladle: 480, pot: 40_000, potCelsius: 88, warmTo: 60 };

  test('each ladle warms it by the heat balance, and heat is kept', () => {
    const t = temperingSchedule(bowl);
    expect(t.ladles[0]?.celsius).toBeCloseTo((1500 * 8 + 480 * 88) / 1980, 9);
    expect(t.ladles.at(-1)?.celsius).toBeGreaterThanOrEqual(60);
    expect(t.ladles.at(-2)?.celsius).toBeLessThan(60);
    expect(t.back).toBeCloseTo((1500 * 8 + 40_000 * 88) / 41_500, 9);
  });

  test('soup too cool to warm it is said so; nonsense is refused', () => {
    expect(temperingSchedule({ ...bowl, potCelsius: 55 }).neverWarm).toBe(true);
    expect(() => temperingSchedule({ ...bowl, warmTo: 95 })).toThrow(/warm to is 95/);
  });
});

/** Each point and shield as docs/model.md, “Dairy and salt”, has it: sums just under and over a grade’s limit. */
describe('points', () => {
  test('acid: 2 for each pH under 6.2', () => {
    expect(grade({ pH: 5.86 })).toBe('safe');
    expect(grade({ pH: 5.84 })).toBe('take care');
    expect(grade({ pH: 5.31 })).toBe('take care');
    expect(grade({ pH: 5.29 })).toBe('likely to split');
    expect(grade({ pH: 4.46, fatPercent: 35 })).toBe('take care');
    expect(splitRisk({ ...calm, pH: 6.2 }).reasons).toEqual([]);
    expect(splitRisk({ ...calm, pH: 6.19 }).reasons[0]?.weight).toBeCloseTo(0.02, 9);
  });

  test('a boil 2; without one, 1 for each 8 °C over 82', () => {
    const weights = (more: Partial<DairyState>) =>
      splitRisk({ ...calm, ...more }).reasons.map((r) => r.weight);
    expect(weights({ boiled: true, celsius: 100 })).toEqual([2]);
    expect(splitRisk({ ...calm, boiled: true }).reasons).toEqual([
      { kind: 'boils', keepUnder: 85, of: 'milk', weight: 2 },
    ]);
    expect(weights({ celsius: 82 })).toEqual([]);
    expect(weights({ celsius: 90 })).toEqual([1]);
  });

  test('salt 1.5 for each % over 1; over 55 °C colder than the pot 0.8', () => {
    const weights = (more: Partial<DairyState>) =>
      splitRisk({ ...calm, ...more }).reasons.map((r) => r.weight);
    expect(weights({ saltPercent: 1 })).toEqual([]);
    expect(weights({ saltPercent: 1.4 })[0]).toBeCloseTo(0.6, 9);
    expect(weights({ shock: 55 })).toEqual([]);
    expect(weights({ shock: 55.1 })).toEqual([0.8]);
  });

  test('fat shields from 10, 18 and 30 %, starch from 10 and 25 g/L', () => {
    // A boil and salt: 2 + 1.5 of 2 % salt = 3.5, just enough to split without a shield.
    const bad: Partial<DairyState> = { boiled: true, saltPercent: 2 + 1e-9 };
    expect(grade({ ...bad, fatPercent: 9.9 })).toBe('will split');
    expect(grade({ ...bad, fatPercent: 10 })).toBe('likely to split');
    // × 0.85, × 0.6 and × 0.25 told apart by how much more of it tips a grade.
    const salted = (points: number, fatPercent: number, equivalents = 0) =>
      grade({ boiled: true, saltPercent: 1 + (points - 2) / 1.5, fatPercent, equivalents });
    const tips = (shield: number, limit: number, fat: number, e = 0) => {
      const points = limit / shield;
      expect(salted(points * 0.99, fat, e)).not.toBe(salted(points * 1.01, fat, e));
    };
    tips(0.85, 3.5, 12);
    tips(0.85, 3.5, 17.9);
    tips(0.6, 3.5, 18);
    tips(0.6, 3.5, 29.9);
    tips(0.25, 1.8, 30);
    tips(0.25, 0.7, 36);
    tips(0.5, 3.5, 3, 10);
    tips(0.5, 1.8, 3, 24.9);
    tips(0.3, 3.5, 3, 25);
  });

  test('in an acid pot starch leaves 0.6 of the points from 25 g/L, 0.8 from 10: a white sauce stands what wine does not', () => {
    const boiled = { boiled: true, celsius: 100 } as const;
    expect(grade({ ...boiled, equivalents: 40 })).toBe('safe');
    // Acid of 0.8 and a boil: 2.8 points, 1.68 behind a roux, 2.24 behind half of one.
    expect(grade({ ...boiled, pH: 5.8, equivalents: 40 })).toBe('take care');
    expect(grade({ ...boiled, pH: 5.69, equivalents: 40 })).toBe('likely to split');
    expect(grade({ ...boiled, pH: 5.8, equivalents: 15 })).toBe('likely to split');
  });

  test('at pH 4.6 it splits whatever else, unless it is cream of 30 %', () => {
    expect(grade({ pH: 4.6, fatPercent: 29.9, equivalents: 60 })).toBe('will split');
    expect(grade({ pH: 4.6, fatPercent: 30 })).not.toBe('will split');
    expect(grade({ pH: 4.62, fatPercent: 29.9, equivalents: 60 })).not.toBe('will split');
  });
});

test('no more than twenty ladles, and never the last of the pot', () => {
  const t = temperingSchedule({
    liaison: 1e5,
    liaisonCelsius: 8,
    ladle: 480,
    pot: 1e6,
    potCelsius: 88,
    warmTo: 60,
  });
  expect(t.ladles.length).toBe(20);
  expect(t.neverWarm).toBe(true);
  const little = temperingSchedule({
    liaison: 3000,
    liaisonCelsius: 8,
    ladle: 480,
    pot: 1000,
    potCelsius: 88,
    warmTo: 60,
  });
  expect(little.ladles.length).toBe(2);
});

describe('each kind fails in its own way', () => {
  test('sour cream, yoghurt: over 80 °C without starch, at the boil; crème fraîche stands it (common practice, no source)', () => {
    const soured = (more: Partial<DairyState>) => grade({ kind: 'soured', pH: 5.4, fatPercent: 5, ...more });
    expect(soured({ celsius: 80 })).toBe('safe');
    expect(soured({ celsius: 84 })).toBe('take care');
    expect(soured({ celsius: 90 })).toBe('likely to split');
    expect(soured({ boiled: true, celsius: 100, fatPercent: 3.3 })).toBe('will split');
    expect(soured({ boiled: true, celsius: 100, fatPercent: 30.5, equivalents: 30 })).toBe('safe');
  });

  test('cheese: strings over 82 °C, worse boiled, in acid and without starch; its own fat is no shield', () => {
    const cheese = (more: Partial<DairyState>) =>
      splitRisk({ ...calm, kind: 'cheese', fatPercent: 34, pH: 6.1, ...more });
    expect(cheese({ celsius: 82 }).grade).toBe('safe');
    expect(cheese({ celsius: 88 }).grade).toBe('take care');
    expect(cheese({ celsius: 88 }).reasons.map((r) => r.kind)).toEqual(['hot', 'bare']);
    expect(cheese({ celsius: 88, equivalents: 30 }).grade).toBe('safe');
    expect(cheese({ boiled: true, celsius: 100 }).grade).toBe('likely to split');
    // Cheddar boiled with wine at pH 4.9.
    const fondue = cheese({ boiled: true, celsius: 100, pH: 4.9 });
    expect(fondue.grade).toBe('will split');
    expect(fondue.reasons.map((r) => r.kind)).toEqual(['boils', 'acid', 'bare']);
    expect(cheese({ boiled: true, celsius: 100, pH: 4.9, equivalents: 40 }).grade).toBe('likely to split');
  });

  test('fresh cheese bears more heat than hard, and grains at the boil', () => {
    const fresh = (more: Partial<DairyState>) =>
      grade({ kind: 'fresh-cheese', fatPercent: 34, pH: 6, ...more });
    expect(fresh({ celsius: 90 })).toBe('safe');
    expect(fresh({ celsius: 94 })).toBe('take care');
    expect(fresh({ boiled: true, celsius: 100 })).toBe('take care');
  });
});
