import '../../../food/load';
import { type Burner, heatInto } from '../../../heat/burner';
import type { Vessel } from '../../../heat/vessel';
import { advance } from '../../advance';
import { heatCapacity } from '../../contents/contents';
import { STANDARD_KITCHEN as room } from '../../kitchen';
import { emptyPot, type Pot } from '../../pot';
import { Step } from '../../step';

const tall: Vessel = {
  id: 't',
  name: 'T',
  diameterMm: 360,
  heightMm: 360,
  material: 'stainless steel',
  massG: 5000,
};
const burner: Burner = { id: 'b', name: 'B', kind: 'gas', powerW: 9000 };

type Raw = Record<string, unknown>;
const cook = (steps: readonly Raw[], pot: Pot = emptyPot(tall, burner)): Pot =>
  steps.reduce<Pot>((p, s) => advance(p, Step.parse(s), room).pot, pot);
const stock = (litres: number, more: Raw = {}): Raw => ({
  kind: 'add',
  items: [{ ingredient: 'vegetable-stock', amount: litres * 1000, celsius: 20 }],
  gradually: true,
  ...more,
});
const cream = (more: Raw = {}): Raw => ({
  kind: 'add',
  items: [{ ingredient: 'heavy-cream', amount: 500, celsius: 5 }],
  ...more,
});
const toSimmer = { kind: 'bring-to', to: 'simmer', flame: 0.8, lid: 'off' };
const simmering = cook([stock(6), toSimmer]);

describe('what takes time on the burner is cooked with its flame', () => {
  test('a pot being filled warms by what its burner gives, and the simmer comes sooner', () => {
    const filled = cook([stock(20)]);
    const minutes = filled.seconds / 60;
    expect(minutes).toBeGreaterThan(7);
    const given = heatInto(burner, 0.5) * filled.seconds;
    const taken = heatCapacity(filled) * (filled.celsius - 20);
    // The rest goes through the wall and off the surface.
    expect(taken / given).toBeGreaterThan(0.93);
    expect(taken / given).toBeLessThan(1);
    const beside = cook([stock(20, { offHeat: true })]);
    expect(beside.celsius).toBeCloseTo(20, 0);
    expect(beside.seconds).toBe(filled.seconds);
    const waits = (pot: Pot) => cook([toSimmer], pot).seconds - pot.seconds;
    expect(waits(filled)).toBeLessThan(0.93 * waits(beside));
  });

  test('it takes as long as the step says, or by its litres, twice that when gradual', () => {
    expect(cook([stock(5, { gradually: false })]).seconds).toBeCloseTo(80, 6);
    expect(cook([stock(5)]).seconds).toBeCloseTo(160, 6);
    expect(cook([stock(5, { minutes: 3 })]).seconds).toBeCloseTo(180, 6);
  });

  test('tonnes are not poured, blended or strained for days', () => {
    const tonnes = cook([{ kind: 'add', items: [{ ingredient: 'spinach', amount: 2e6 }] }]);
    expect(tonnes.seconds).toBe(4 * 3600);
    const blended = cook([{ kind: 'puree', fraction: 1, tool: 'jug blender' }], tonnes);
    expect(blended.seconds).toBe(8 * 3600);
    expect(cook([{ kind: 'strain' }], blended).seconds).toBeLessThanOrEqual(12 * 3600);
    // What the recipe says itself it takes, as a stock its ten hours.
    const stock = cook([{ kind: 'simmer', minutes: 600, lid: 'ajar' }], simmering);
    expect(stock.seconds - simmering.seconds).toBeCloseTo(36_000, -2);
  });

  test('poured into a simmering pot it is brought back, and no hotter than it was kept', () => {
    const atOnce = cook([cream({ minutes: 0 })], simmering);
    const poured = cook([cream({ minutes: 1 })], simmering);
    expect(poured.celsius).toBeGreaterThan(atOnce.celsius + 2);
    const long = cook([cream({ minutes: 10 })], simmering);
    expect(long.celsius).toBeCloseTo(simmering.celsius, 0);
    expect(long.celsius).toBeLessThanOrEqual(simmering.celsius + 0.1);
    expect(long.evaporated).toBeGreaterThan(simmering.evaporated + 10);
  });

  test('brought to 80 °C it is not cooked past that by what follows', () => {
    const warm = cook([stock(6), { kind: 'bring-to', to: 80, flame: 0.8, lid: 'off' }, cream()]);
    expect(cook([cream({ minutes: 15 })], warm).celsius).toBeLessThanOrEqual(80.1);
  });

  test('let cool or rested it is off the flame, and so is what goes in then', () => {
    const rested = cook([{ kind: 'rest', minutes: 2, lid: 'on' }], simmering);
    const later = cook([cream({ minutes: 5 })], rested);
    const stroke = cook([cream({ minutes: 0 })], rested);
    expect(later.celsius).toBeLessThan(stroke.celsius);
    const cooled = cook([{ kind: 'bring-to', to: 80, flame: 0.5, lid: 'off' }], simmering);
    expect(
      cook([{ kind: 'season', items: [{ ingredient: 'salt', amount: 30 }] }], cooled).celsius,
    ).toBeLessThan(80);
  });

  test('taken off the heat for one step it stays off for the next, until a step lights it', () => {
    const off = cook([cream({ offHeat: true })], simmering);
    const next = cook([{ kind: 'season', items: [{ ingredient: 'salt', amount: 30 }], minutes: 3 }], off);
    expect(next.celsius).toBeLessThan(off.celsius);
    expect(cook([toSimmer], next).celsius).toBeCloseTo(simmering.celsius, 0);
  });

  test('seasoned it loses water as it did at the simmer', () => {
    const salt = { kind: 'season', items: [{ ingredient: 'salt', amount: 30 }], minutes: 4 };
    const simmer = { kind: 'simmer', minutes: 4, lid: 'off', flame: 0.8 };
    const lost = (step: Raw) => cook([step], simmering).evaporated - simmering.evaporated;
    expect(lost(salt) / lost(simmer)).toBeCloseTo(1, 1);
  });

  test('blended in the pot it keeps its heat; in a jug or through a sieve it loses some, and goes back on', () => {
    const by = (tool: string, more: Raw = {}) =>
      cook([{ kind: 'puree', fraction: 1, tool, minutes: 6, ...more }], simmering);
    expect(by('stick blender').celsius).toBeCloseTo(simmering.celsius, 0);
    expect(by('masher').celsius).toBeCloseTo(simmering.celsius, 0);
    expect(by('stick blender', { offHeat: true }).celsius).toBeLessThan(simmering.celsius - 2);
    const jug = by('jug blender');
    expect(jug.celsius).toBeLessThan(simmering.celsius - 2);
    expect(cook([cream({ minutes: 20 })], jug).celsius).toBeGreaterThan(jug.celsius);
    const sieved = cook([{ kind: 'strain', minutes: 6 }], simmering);
    expect(sieved.celsius).toBeLessThan(simmering.celsius - 2);
    expect(cook([cream({ minutes: 20 })], sieved).celsius).toBeGreaterThan(sieved.celsius);
  });

  test('dusted, the vegetables sweat on; off the heat they do not', () => {
    const sweated = cook([
      {
        kind: 'sweat',
        items: [
          { ingredient: 'butter', amount: 60 },
          { ingredient: 'onion', amount: 800 },
        ],
        minutes: 10,
        to: 'translucent',
      },
    ]);
    const dust = (more: Raw = {}) =>
      cook(
        [{ kind: 'dust', flour: { ingredient: 'plain-flour', amount: 60 }, minutes: 3, ...more }],
        sweated,
      );
    const goOn = cook(
      [{ kind: 'sweat', items: [{ ingredient: 'butter', amount: 0 }], minutes: 3, to: 'translucent' }],
      sweated,
    );
    const lost = (pot: Pot) => pot.evaporated - sweated.evaporated;
    expect(lost(dust()) / lost(goOn)).toBeCloseTo(1, 1);
    expect(lost(dust({ offHeat: true }))).toBe(0);
  });

  test('flour alone in a pan takes its minutes and harms nothing', () => {
    const flour = { ingredient: 'plain-flour', amount: 20 };
    const pot = cook([{ kind: 'sweat', items: [flour], minutes: 20, to: 'gold' }]);
    expect(pot.seconds).toBeCloseTo(1200, 6);
    expect(Number.isFinite(pot.celsius)).toBe(true);
  });
});
