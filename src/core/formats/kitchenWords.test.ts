import { demoKitchen } from '../../../demo/demo';
import { inEnglish } from '../text/inWords';
import { changedLines } from './changedLines';
import { kitchenWords } from './kitchenWords';

const kitchen = demoKitchen();

test('every setting of a kitchen is in its words: whatever changes, a line does', () => {
  const [pot] = kitchen.vessels;
  const [burner] = kitchen.burners;
  const changed = [
    { ...kitchen, name: 'Other' },
    { ...kitchen, altitudeM: 400 },
    { ...kitchen, airCelsius: 31 },
    { ...kitchen, humidity: 0.2 },
    { ...kitchen, saltPercent: 1.1 },
    { ...kitchen, bandLimits: [30, 90, 260, 800] as const },
    { ...kitchen, measures: kitchen.measures === 'scale' ? ('spoons' as const) : ('scale' as const) },
    { ...kitchen, show: { volume: 'gal' as const, temperature: 'C' as const } },
    { ...kitchen, show: { volume: 'L' as const, temperature: 'F' as const } },
    { ...kitchen, currency: '¤' },
    { ...kitchen, roles: ['Someone'] },
    { ...kitchen, flagged: ['sesame' as const] },
    { ...kitchen, vessels: [{ ...pot!, lossFactor: 1.31 }, ...kitchen.vessels.slice(1)] },
    { ...kitchen, vessels: [{ ...pot!, massG: 9999 }, ...kitchen.vessels.slice(1)] },
    { ...kitchen, burners: [{ ...burner!, powerW: 1234 }, ...kitchen.burners.slice(1)] },
    { ...kitchen, burners: [{ ...burner!, intoPotW: 777 }, ...kitchen.burners.slice(1)] },
    { ...kitchen, products: [{ ingredient: 'salt', pricePerKg: 0.4 }] },
    { ...kitchen, funnels: [] },
  ];
  const before = kitchenWords(kitchen, inEnglish);
  for (const c of changed) {
    const lines = changedLines(before, kitchenWords(c as typeof kitchen, inEnglish));
    expect(lines.filter((l) => l.kind !== 'same').length).toBeGreaterThan(0);
  }
});

test('of a change two lines round it are kept, of the first version all', () => {
  const before = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];
  expect(changedLines(before, ['a', 'b', 'c', 'D', 'e', 'f', 'g'])).toEqual([
    { kind: 'same', text: 'b' },
    { kind: 'same', text: 'c' },
    { kind: 'out', text: 'd' },
    { kind: 'in', text: 'D' },
    { kind: 'same', text: 'e' },
    { kind: 'same', text: 'f' },
  ]);
  expect(changedLines(null, ['a'])).toEqual([{ kind: 'same', text: 'a' }]);
  expect(changedLines(before, before)).toEqual([]);
});
