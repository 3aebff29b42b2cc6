import { type DairyState, splitRisk } from './risk';
import { temperingSchedule } from './tempering';

const calm: DairyState = {
  pH: 6.4,
  celsius: 80,
  boiled: false,
  fatPercent: 3.3,
  saltPercent: 0.8,
  equivalents: 0,
  arrives: 60,
};
const grade = (more: Partial<DairyState>) => splitRisk({ ...calm, ...more }).grade;

test('warm milk in a mild pot is safe, boiled in an acid one it splits', () => {
  expect(grade({})).toBe('safe');
  expect(grade({ boiled: true, pH: 5.2, arrives: 5 })).toBe('will split');
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

test('the reasons come worst first, each with what to change', () => {
  const { reasons } = splitRisk({ ...calm, boiled: true, saltPercent: 1.2, arrives: 4 });
  expect(reasons[0]?.says).toMatch(/boils/);
  expect(reasons.every((r) => r.change.length > 5)).toBe(true);
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
