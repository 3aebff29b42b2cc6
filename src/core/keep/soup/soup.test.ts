import { byThePlan, demoBatch, eventAt } from '../../../../demo/batch';
import { demoHouse } from '../../../../demo/demo';
import { NOTHING } from '../../food/composition';
import { FILM, thickSoup } from '../../heat/cool/body';
import { latentHeat } from '../../heat/steam';
import { surfaceArea } from '../../heat/vessel';
import { advance } from '../../pot/advance';
import { volumeMl } from '../../pot/contents/contents';
import { steamRate } from '../../pot/cook';
import { observe } from '../../pot/observe';
import { keepsAtMost } from '../../service/wait';
import { inEnglish } from '../../text/inWords';
import type { KeepEvent } from '../events';
import { lotState } from '../safe/fold';
import { rulesIn } from '../standing';
import { line, lotOf, putBy, START } from '../testKit';
import { freezeEffects, freezingBody, freezingTime, plank, thawingTime } from './freeze';
import { HOT_LIQUID, type Holding, holdForecast, settlesAt } from './hot';
import { keptNow, vesselOf } from './keptNow';
import { allergensOn, costIn, keptOf, letDown, someOf, soupOf, stepsOf } from './keptPot';
import { reheatForecast } from './reheat';

const house = demoHouse();
const rule = rulesIn(house);

function finished(id: string, litres: number, pot = 'tall-steel-36') {
  const { batch, plan } = demoBatch(id, { litres, pot, burner: 'floor-ring' });
  const done = byThePlan(plan);
  const end = plan.seconds + 60;
  const over = {
    ...batch,
    events: [...done, eventAt(900, end, { kind: 'finished', goesTo: 'hold', yieldMl: litres * 1000 })],
  };
  return { batch: over, plan, kept: keptOf(over) };
}
const chowder = finished('cockle-and-leek-chowder', 12);
const mussel = finished('mussel-veloute-with-liaison', 8);
const parsnip = finished('smoked-parsnip-veloute', 12);
const kept = (of: typeof chowder) => {
  if (!of.kept) throw new Error('not followed');
  return of.kept;
};

describe('the soup that is kept is the soup that was cooked', () => {
  test('as much of it as was measured, as thick as it was', () => {
    const { pot, kitchen } = kept(chowder);
    expect(volumeMl(pot)).toBeLessThanOrEqual(12_010);
    expect(observe(pot, kitchen).bowlViscosity / chowder.plan.found.bowlViscosity).toBeCloseTo(1, 1);
    const half = someOf(pot, 6000, 70);
    expect(volumeMl(half)).toBeGreaterThan(5700);
    // A part of it is as thick as all of it.
    expect(observe(half, kitchen).equivalents).toBeCloseTo(observe(pot, kitchen).equivalents, 6);
    const soup = soupOf(kept(chowder), 6000);
    expect(soup.heatPerMl).toBeGreaterThan(3.4);
    expect(soup.heatPerMl).toBeLessThan(4.2);
  });
  test('its allergens and its cost are those of what went in', () => {
    const found = allergensOn(stepsOf(chowder.batch), house.kitchen);
    expect(found).toEqual(expect.arrayContaining(['milk', 'molluscs', 'wheat', 'celery']));
    expect(costIn(stepsOf(chowder.batch), { ...house.kitchen, products: undefined }, 12_000)).toEqual({});
    const priced = costIn(stepsOf(chowder.batch), house.kitchen, 12_000);
    expect(priced.costPerL).toBeGreaterThan(0.1);
    const half = costIn(stepsOf(chowder.batch), house.kitchen, 24_000);
    expect((priced.costPerL ?? 0) / (half.costPerL ?? 1)).toBeCloseTo(2, 1);
    const { leek: _, ...rest } = house.kitchen.products ?? {};
    const fewer = costIn(stepsOf(chowder.batch), { ...house.kitchen, products: rest }, 12_000);
    expect((fewer.unpriced ?? 0) - (priced.unpriced ?? 0)).toBe(1);
    expect(fewer.costPerL).toBeLessThan(priced.costPerL ?? 0);
  });
});

describe('on the pass', () => {
  const vessel = house.vessels.find((v) => v.id === 'tall-steel-36');
  const place = house.keeping.places.find((p) => p.id === 'bath');
  if (!vessel || !place) throw new Error('the demo has none');
  const holding: Holding = {
    place,
    vessel,
    lid: 'off',
    ml: 10_000,
    celsius: 80,
    servedPerHour: 0,
    minutes: 240,
  };
  test('in the bath it settles under the bath, under a lid higher; on a ring at what the ring is set to', () => {
    const pot = someOf(kept(parsnip).pot, 10_000, 80, vessel);
    const { kitchen } = kept(parsnip);
    const open = settlesAt(pot, place, 'off', kitchen);
    expect(open).toBeGreaterThan(60);
    expect(open).toBeLessThan(place.celsius);
    expect(settlesAt(pot, place, 'on', kitchen)).toBeGreaterThan(open);
    expect(settlesAt(pot, { ...place, kind: 'ring', celsius: 75 }, 'off', kitchen)).toBe(75);
  });
  test('under its lid what the bath gives is what steam and the lid lose, the lid half of what a surface does', () => {
    const pot = someOf(kept(parsnip).pot, 10_000, 80, vessel);
    const { kitchen } = kept(parsnip);
    const at = settlesAt(pot, place, 'on', kitchen);
    const area = surfaceArea(vessel);
    const wall = area + (volumeMl(pot) / 1e6 / area) * Math.PI * (vessel.diameterMm / 1000);
    const gives = 110 * wall * (place.celsius - at);
    const loses =
      steamRate({ ...pot, celsius: at }, 'on', kitchen) * latentHeat(at) +
      area * 9 * 0.5 * (at - kitchen.airCelsius);
    expect(gives / loses).toBeCloseTo(1, 2);
  });
  test('open it loses water and thickens, under a lid hardly', () => {
    const open = holdForecast(kept(parsnip), holding);
    const lidded = holdForecast(kept(parsnip), { ...holding, lid: 'on' });
    const last = (f: typeof open) => f.points.at(-1);
    expect(last(open)?.lost).toBeGreaterThan(3 * (last(lidded)?.lost ?? 0));
    expect(last(open)?.viscosity).toBeGreaterThan((open.points[0]?.viscosity ?? 0) * 1.1);
    expect(open.skin).not.toBeNull();
    expect(lidded.skin).toBeNull();
  });
  test('ladled off, less is left with the same surface, and it thickens faster', () => {
    const still = holdForecast(kept(parsnip), { ...holding, minutes: 120 });
    const served = holdForecast(kept(parsnip), { ...holding, minutes: 120, servedPerHour: 3000 });
    expect(served.points.at(-1)?.ml).toBeLessThan((still.points.at(-1)?.ml ?? 0) - 5000);
    expect(served.points.at(-1)?.viscosity).toBeGreaterThan(still.points.at(-1)?.viscosity ?? 0);
    expect(holdForecast(kept(parsnip), { ...holding, servedPerHour: 5000 }).lasts).toBeLessThan(130);
  });
  test('what is stirred in each half hour brings it back to where it was', () => {
    const { letDown, points } = holdForecast(kept(parsnip), holding);
    expect(letDown).toBeGreaterThan(40);
    // About what steam has taken: nothing else thickens it.
    const lost = points.find((p) => p.minutes === 30)?.lost ?? 0;
    expect(letDown / lost).toBeGreaterThan(0.7);
    expect(letDown / lost).toBeLessThan(1.4);
  });
  test('a liaison of yolk has its own limit, shorter than the others', () => {
    // Its mussels, poached, have a shorter one still.
    expect(holdForecast(kept(mussel), { ...holding, ml: 7000 }).worst.minutes).toBe(20);
    expect(keepsAtMost(stepsOf(mussel.batch), new Set())).toMatchObject({ minutes: 30 });
    expect(holdForecast(kept(parsnip), holding).worst.minutes).toBeGreaterThan(60);
  });
});

describe('as it is by now', () => {
  const lines = (...more: KeepEvent[]) => {
    const s = lotState(
      lotOf(
        line(0, putBy({ ml: 10_000, place: 'bath', container: { kind: 'pot', vessel: 'tall-steel-36' } })),
        line(1, { kind: 'kept hot', place: 'bath', lid: false }),
        ...more,
      ),
      house.keeping,
    );
    if (!s) throw new Error('nothing kept');
    return s;
  };
  const after = (minutes: number, ...more: KeepEvent[]) => {
    const now = keptNow(kept(parsnip), lines(...more), house, START + minutes * 60_000);
    return { thick: observe(now.pot, now.kitchen).bowlViscosity, ml: volumeMl(now.pot) };
  };
  test('what steam took on the pass makes it thicker and less', () => {
    expect(after(120).thick).toBeGreaterThan(after(2).thick * 1.04);
    expect(after(120).ml).toBeLessThan(after(2).ml - 300);
  });
  test('what is ladled off leaves less, as thick; what is stirred in leaves more, thinner', () => {
    const taken = after(3, line(2, { kind: 'taken', ml: 4000 }));
    expect(taken.ml).toBeCloseTo(after(3).ml - 4000, -2);
    const parted = after(
      3,
      line(2, { kind: 'parted', ml: 4000, into: '00000000-0000-4000-8000-000000000009' }),
    );
    expect(parted.ml).toBeCloseTo(taken.ml, 6);
    expect(taken.thick / after(3).thick).toBeCloseTo(1, 1);
    const thinned = after(3, line(2, { kind: 'let down', ml: 500, ingredient: 'water' }));
    expect(thinned.thick).toBeLessThan(after(3).thick * 0.93);
    expect(thinned.ml).toBeGreaterThan(after(3).ml + 400);
  });
  test('put into the cold it loses nothing more', () => {
    const way = { into: { kind: 'pans', pan: 'full-65', count: 4 }, place: 'blast' } as const;
    const cold = after(600, line(10, { kind: 'set to cool', way }));
    expect(cold.ml).toBeCloseTo(after(10).ml, -2);
  });
});

describe('frozen', () => {
  const effects = (of: typeof chowder) =>
    freezeEffects(stepsOf(of.batch)).map((e) => [e.grade, inEnglish(e.what)]);
  test('flour weeps, lean dairy grains, dice of potato go mealy, a liaison splits: the worst first', () => {
    expect(effects(mussel)[0]).toEqual(['spoils', 'A liaison of yolk splits when it thaws']);
    expect(
      effects(chowder)
        .map(([, what]) => what)
        .join(),
    ).toMatch(/weeps/);
    expect(effects(chowder)[0]).toEqual(['spoils', 'Potato dice go mealy and wet']);
  });
  test('waxy maize and tapioca freeze well, and nothing to fear is said too', () => {
    const step = {
      kind: 'thicken',
      thickener: { ingredient: 'tapioca-starch', amount: 40 },
      method: 'slurry',
    } as never;
    expect(freezeEffects([step])).toEqual([expect.objectContaining({ grade: 'fine' })]);
    expect(inEnglish(freezeEffects([])[0]?.what ?? '')).toBe('Nothing in it minds being frozen');
  });
  test('a tub freezes in hours, a pot in days; half as deep is more than twice as fast, and no air warmer than ice freezes', () => {
    const tub = house.keeping.pans.find((p) => p.id === 'tub-2');
    const vessel = house.vessels.find((v) => v.id === 'deep-42');
    if (!tub || !vessel) throw new Error('the demo has none');
    const deep = freezingTime(freezingBody({ pan: tub }, 80), -20, FILM.freezer, null) / 3600;
    expect(deep).toBeGreaterThan(4);
    expect(deep).toBeLessThan(14);
    expect(freezingTime(freezingBody({ pan: tub }, 40), -20, FILM.freezer, null) / 3600).toBeLessThan(deep);
    expect(freezingTime(freezingBody({ vessel }, 300), -20, FILM.freezer, null) / 3600).toBeGreaterThan(24);
    expect(freezingTime(freezingBody({ pan: tub }, 80), 0, FILM.freezer, null)).toBe(
      Number.POSITIVE_INFINITY,
    );
    expect(thawingTime(freezingBody({ pan: tub }, 80), 4, FILM.fridge, null) / 3600).toBeGreaterThan(deep);
    expect(thawingTime(freezingBody({ pan: tub }, 80), -5, FILM.fridge, null)).toBe(Number.POSITIVE_INFINITY);
    expect(() =>
      plank({
        body: { shape: 'slab', mm: 0 },
        density: 1,
        latent: 1,
        conductivity: 1,
        freezes: 0,
        air: -1,
        film: 1,
      }),
    ).toThrow(/thickness/);
  });
});

describe('brought back', () => {
  const vessel = house.vessels.find((v) => v.id === 'tall-steel-36');
  const [weak, strong] = [
    house.burners.find((b) => b.id === 'back-plate'),
    house.burners.find((b) => b.id === 'floor-ring'),
  ];
  if (!vessel || !weak || !strong) throw new Error('the demo has none');
  const base = { vessel, burner: strong, ml: 6000, celsius: 4 };
  test('it has set overnight: liquid brings it back to what it was, within a twentieth', () => {
    const found = reheatForecast(kept(parsnip), base, rule.reheat);
    expect(found.now).toBeGreaterThan(found.was);
    expect(found.liquid).toBeGreaterThan(50);
    const measuredAsWas = reheatForecast(kept(parsnip), { ...base, measured: found.was }, rule.reheat);
    expect(measuredAsWas.liquid).toBe(0);
    expect(
      reheatForecast(kept(parsnip), { ...base, measured: found.was * 2 }, rule.reheat).liquid,
    ).toBeGreaterThan(found.liquid);
  });
  test('a stronger burner and less of it are quicker; what takes longer than the rule allows is said', () => {
    const found = reheatForecast(kept(parsnip), base, rule.reheat);
    expect(found.inTime).toBe(true);
    expect(reheatForecast(kept(parsnip), { ...base, burner: weak }, rule.reheat).seconds).toBeGreaterThan(
      found.seconds,
    );
    expect(reheatForecast(kept(parsnip), { ...base, ml: 3000 }, rule.reheat).seconds).toBeLessThan(
      found.seconds,
    );
    expect(reheatForecast(kept(parsnip), base, { ...rule.reheat, withinSeconds: 60 }).inTime).toBe(false);
  });
});

describe('what a cook would be hurt by', () => {
  const add = (ingredient: string, amount = 100) =>
    ({ kind: 'add', items: [{ ingredient, amount }] }) as never;
  const says = (...steps: never[]) => freezeEffects(steps).map((e) => `${e.grade}: ${inEnglish(e.what)}`);

  test('what freezing does is said of what does it, and of nothing else', () => {
    expect(says(add('onion'))).toEqual(['fine: Nothing in it minds being frozen']);
    expect(says(add('heavy-cream'))).toEqual(['fine: Nothing in it minds being frozen']);
    expect(says(add('whole-milk'))).toEqual(['mends: Lean dairy grains when it thaws']);
    expect(says(add('plain-flour'))).toEqual(['mends: Plain flour weeps: water stands off it when it thaws']);
    expect(says(add('cornstarch'))).toEqual(['mends: Cornstarch weeps: water stands off it when it thaws']);
    expect(says(add('tapioca-starch'))).toEqual(['fine: Tapioca starch freezes well']);
    expect(says(add('glutinous-rice-flour'))).toEqual(['fine: Glutinous rice flour freezes well']);
  });

  test('dice of potato are spoilt by frost, blended they mend; blended by half they are dice still', () => {
    const blended = (fraction: number) => ({ kind: 'puree', fraction, tool: 'jug blender' }) as never;
    expect(says(add('floury-potato'))).toEqual(['spoils: Potato dice go mealy and wet']);
    expect(says(add('floury-potato'), blended(1))).toEqual(['mends: Potato turns grainy']);
    expect(says(add('floury-potato'), blended(0.5))).toEqual(['spoils: Potato dice go mealy and wet']);
    // The worst first, however they went in.
    expect(
      says(add('whole-milk'), add('egg-yolk'), add('tapioca-starch')).map((t) => t.split(':')[0]),
    ).toEqual(['spoils', 'mends', 'fine']);
  });

  test('what holds more water takes longer to freeze, as much longer as it holds more', () => {
    const tub = freezingBody(
      { pan: { id: 'x', name: 'X', lengthMm: 200, widthMm: 200, depthMm: 100, count: 1 } },
      80,
    );
    const time = (water: number) => freezingTime(tub, -20, 10, { ...NOTHING, water, starch: 1 - water });
    expect(time(0.9) / time(0.6)).toBeCloseTo(1.5, 6);
    expect(freezingTime(tub, -20, 10, null)).toBeCloseTo(time(0.88), 6);
    expect(freezingTime(tub, -20, 10, NOTHING)).toBeCloseTo(time(0.88), 6);
  });

  test('a pot less deep than wide freezes from above and below, a deeper one from its sides', () => {
    const pot = {
      vessel: { id: 'v', name: 'V', diameterMm: 300, heightMm: 400, material: 'stainless steel', massG: 1 },
    } as const;
    expect(freezingBody(pot, 299)).toEqual({ shape: 'slab', mm: 299 });
    expect(freezingBody(pot, 301)).toEqual({ shape: 'cylinder', mm: 300 });
  });

  const vessel = house.vessels.find((v) => v.id === 'tall-steel-36');
  const place = house.keeping.places.find((p) => p.id === 'bath');
  const burner = house.burners.find((b) => b.id === 'floor-ring');
  if (!vessel || !place || !burner) throw new Error('the demo has none');
  const holding: Holding = {
    place,
    vessel,
    lid: 'off',
    ml: 10_000,
    celsius: 80,
    servedPerHour: 0,
    minutes: 240,
  };

  test('it lasts where nobody is served; served out, what is left is an eighth', () => {
    expect(holdForecast(kept(parsnip), holding).lasts).toBeNull();
    const slow = holdForecast(kept(parsnip), { ...holding, servedPerHour: 500 });
    expect(slow.lasts).toBeNull();
    const fast = holdForecast(kept(parsnip), { ...holding, servedPerHour: 4680, lid: 'on' });
    const left = fast.points.at(-1)?.ml ?? 0;
    expect(left).toBeGreaterThanOrEqual(1200);
    expect(left).toBeLessThan(1320);
    expect(fast.lasts).toBe((fast.points.at(-1)?.minutes ?? 0) + 10);
    expect(holdForecast(kept(parsnip), holding).skin).toBe(10);
    expect(HOT_LIQUID).toBe(80);
  });

  test('thickened to four times what it was, nobody would serve it: there it ends', () => {
    const { points } = holdForecast(kept(parsnip), { ...holding, ml: 2000, minutes: 600 });
    const [first, last] = [points[0], points.at(-1)];
    const times = (last?.viscosity ?? 0) / (first?.viscosity ?? 1);
    expect(times).toBeLessThanOrEqual(4);
    expect(last?.minutes).toBeLessThan(600);
  });

  test('it leaves its band at the first point that is of another, and not where none is', () => {
    const open = holdForecast(kept(parsnip), { ...holding, ml: 3000 });
    const first = open.points.find((p) => p.band !== open.points[0]?.band);
    expect(first).toBeDefined();
    expect(open.leaves).toEqual({ minutes: first?.minutes, band: first?.band });
    const short = holdForecast(kept(parsnip), { ...holding, lid: 'on', minutes: 20 });
    expect(short.points.every((p) => p.band === short.points[0]?.band)).toBe(true);
    expect(short.leaves).toBeNull();
  });

  test('what it stands in is what it was put into: its own pot, its own pans, and none that is gone', () => {
    expect(vesselOf({ kind: 'pot', vessel: 'deep-42' }, house)?.id).toBe('deep-42');
    expect(vesselOf({ kind: 'pot', vessel: 'gone' }, house)).toBeNull();
    expect(vesselOf({ kind: 'pans', pan: 'full-65', count: 2 }, house)?.massG).toBe(2200);
    expect(vesselOf({ kind: 'pans', pan: 'gone', count: 2 }, house)).toBeNull();
  });

  const lotHeld = (place: string, ...more: KeepEvent[]) => {
    const s = lotState(
      lotOf(
        line(0, putBy({ ml: 10_000, place, container: { kind: 'pot', vessel: 'tall-steel-36' } })),
        ...more,
      ),
      house.keeping,
    );
    if (!s) throw new Error('nothing kept');
    return s;
  };
  const mlAt = (minutes: number, state: ReturnType<typeof lotHeld>) =>
    volumeMl(keptNow(kept(parsnip), state, house, START + minutes * 60_000).pot);

  test('put straight into the bath it loses steam; on the worktop it does not', () => {
    const open = (place: string) => lotHeld(place, line(1, { kind: 'note', text: 'x' }));
    expect(mlAt(240, open('bath'))).toBeLessThan(mlAt(1, open('bath')) - 20);
    expect(mlAt(240, open('worktop'))).toBe(mlAt(1, open('worktop')));
  });

  test('beyond eight hours on the pass nothing more is foreseen; what is written of later does not count yet', () => {
    const held = lotHeld('bath');
    expect(mlAt(30 * 60, held)).toBe(mlAt(8 * 60, held));
    expect(mlAt(7 * 60, held)).toBeGreaterThan(mlAt(8 * 60, held));
    const later = lotHeld('worktop', line(90, { kind: 'taken', ml: 4000 }));
    expect(mlAt(89, later)).toBe(mlAt(1, later));
    expect(mlAt(91, later)).toBeCloseTo(mlAt(1, later) - 4000, -1);
  });

  test('of a soup too little is left of to know, it is taken as thick; the rest is what the pot says', () => {
    const little = { ...kept(parsnip), pot: someOf(kept(parsnip).pot, 15, 60) };
    expect(soupOf(little, 500)).toEqual(thickSoup(500));
    expect(soupOf(kept(parsnip), 500)).not.toEqual(thickSoup(500));
    expect(soupOf(null, 500)).toEqual(thickSoup(500));
  });

  test('what was measured of it at the end is what there is; with nothing measured it is what the model has', () => {
    const end = (yieldMl?: number) => {
      const { batch, plan } = parsnip;
      const done = byThePlan(plan);
      const finish = { kind: 'finished' as const, goesTo: 'hold' as const, ...(yieldMl && { yieldMl }) };
      const over = { ...batch, events: [...done, eventAt(900, plan.seconds + 60, finish)] };
      const found = keptOf(over);
      return found ? volumeMl(found.pot) : 0;
    };
    expect(end(5000)).toBeCloseTo(5000, -1);
    expect(end()).toBeGreaterThan(11_000);
    expect(end()).toBeLessThan(13_000);
  });

  test('cold water stirred in cools it, as much as it is of it; what is said of no temperature is as warm as the room', () => {
    const { pot, kitchen } = kept(parsnip);
    const hot = someOf(pot, 1000, 80);
    const cold = letDown(hot, 1000, kitchen, 5).celsius;
    const room = letDown(hot, 1000, kitchen).celsius;
    expect(cold).toBeLessThan(55);
    expect(room).toBeGreaterThan(cold + 4);
    expect(room).toBeLessThan(letDown(hot, 1000, kitchen, 80).celsius - 10);
  });

  test('allergens the house names stand first', () => {
    const steps = stepsOf(chowder.batch);
    const without = allergensOn(steps, { ...house.kitchen, flagged: [] });
    expect(without).toEqual([...without].sort());
    expect(allergensOn(steps, { ...house.kitchen, flagged: ['wheat'] })[0]).toBe('wheat');
  });

  test('overnight it has set by 15 in 100, and comes back on half the flame', () => {
    const asked = { vessel, burner, ml: 6000, celsius: 4 };
    const found = reheatForecast(kept(parsnip), asked, rule.reheat);
    const cold = { ...someOf(kept(parsnip).pot, 6000, 4, vessel), burner };
    const { kitchen } = kept(parsnip);
    expect(found.now / observe(cold, kitchen).bowlViscosity).toBeCloseTo(1.15, 6);
    const back = (flame: number) => {
      const start = letDown(cold, found.liquid, kitchen);
      return (
        advance(start, { kind: 'reheat', to: rule.reheat.to, lid: 'on', flame }, kitchen).pot.seconds -
        start.seconds
      );
    };
    expect((found.seconds - rule.reheat.forSeconds) / back(0.5)).toBeCloseTo(1, 2);
  });
});
