import { readFileSync } from 'node:fs';
import {
  AWAY,
  DAMP,
  FILM,
  LID,
  METHOD_CELSIUS,
  RADIATION,
  STIRRED_IN_ICE,
  UNDER,
  WAND,
} from '../src/core/heat/cool/body';
import { freezingTime, plank, thawingTime } from '../src/core/keep/soup/freeze';

/** What docs/model.md says of cooling and freezing is what is worked with. */
const doc = readFileSync('docs/model.md', 'utf8').replaceAll('−', '-');

/** The figures of the one sentence `says` fits. */
function figures(says: RegExp): readonly number[] {
  const found = doc.match(says);
  if (!found) throw new Error(`docs/model.md says nothing like ${says}`);
  return found.slice(1).map(Number);
}

test('films of the places things cool in', () => {
  const [shelf, freezer, room, fan, blast, ice] = figures(
    /worktop and fridge ([\d.]+), freezer ([\d.]+), cold room ([\d.]+), with a fan ([\d.]+), blast ([\d.]+), ice water ([\d.]+);/,
  );
  expect(FILM).toEqual({
    worktop: shelf,
    fridge: shelf,
    freezer,
    'cold room': room,
    fan,
    blast,
    'ice bath': ice,
    // Hot places stand in the same still air.
    bath: shelf,
    ring: shelf,
  });
});

test('how cold a recipe’s places are', () => {
  const [stirred, room, blast, ice] = figures(
    /stirred every (\d+) minutes; a cold room, with a fan or without, is at ([\d.]+) °C, a blast at (-?[\d.]+), ice at ([\d.]+)/,
  );
  expect(METHOD_CELSIUS).toEqual({ 'cold room': room, fan: room, blast, 'ice bath': ice });
  expect(STIRRED_IN_ICE).toBe(stirred);
});

test('what a shelf, a lid and the air leave of them', () => {
  expect(doc).toMatch(/four fifths of it under a pan, half under a pot;/);
  expect(UNDER).toEqual({ pans: 4 / 5, pot: 1 / 2 });
  expect([LID]).toEqual(figures(/a lid has ([\d.]+) behind it/));
  expect([RADIATION]).toEqual(figures(/Of a film ([\d.]+) is radiation/));
  expect([DAMP, AWAY]).toEqual(
    figures(/air at ([\d.]+) of its humidity, ([\d.]+) of it kept back by its skin/),
  );
  const [into, kg] = figures(/An ice wand takes ([\d.]+) W\/K until its ([\d.]+) kg of ice/);
  expect(WAND).toEqual({ intoIt: into, ice: (kg ?? 0) * 1000 });
});

/** Plank 1913, as in ASHRAE Handbook, Refrigeration (from memory): P and R of the endless slab, the endless cylinder, the cube. */
test.each([
  ['slab', undefined, 1 / 2, 1 / 8],
  ['cylinder', undefined, 1 / 4, 1 / 16],
  ['brick', [1, 1], 1 / 6, 1 / 24],
] as const)('Plank’s equation of a %s', (shape, beta, p, r) => {
  const [density, latent, conductivity, film, mm] = [1050, 250, 1.2, 20, 60];
  const seconds = plank({
    body: { shape, mm, ...(beta && { beta }) },
    density,
    latent,
    conductivity,
    freezes: -1,
    air: -25,
    film,
  });
  const a = mm / 1000;
  const byHand = ((density * latent * 1000) / 24) * ((p * a) / film + (r * a * a) / conductivity);
  expect(seconds / byHand).toBeCloseTo(1, 9);
});

test('a soup freezes and thaws by the figures that are said', () => {
  const [water, from, latent, freezer, fridge, thawed, ice] = figures(
    /A soup is ([\d.]+) water, freezes from (-[\d.]+) °C and has ([\d.]+) kJ in a kilogram of its ice; films are ([\d.]+) W\/\(m²·K\) in a freezer, ([\d.]+) in a fridge\. Thawing .* conducts ([\d.]+) instead of ([\d.]+)\./,
  ) as [number, number, number, number, number, number, number];
  expect([FILM.freezer, FILM.fridge]).toEqual([freezer, fridge]);
  const body = { shape: 'slab', mm: 50 } as const;
  const a = 0.05;
  const one = (apart: number, conducts: number, film: number) =>
    ((1000 * latent * water * 1000) / apart) * (a / 2 / film + (a * a) / 8 / conducts);
  expect(freezingTime(body, -20, freezer, null) / one(from + 20, ice, freezer)).toBeCloseTo(1, 9);
  expect(thawingTime(body, 4, fridge, null) / one(4 - from, thawed, fridge)).toBeCloseTo(1, 9);
  // No colder than it freezes at it never freezes, no warmer it never thaws.
  expect(freezingTime(body, from, freezer, null)).toBe(Number.POSITIVE_INFINITY);
  expect(thawingTime(body, from, fridge, null)).toBe(Number.POSITIVE_INFINITY);
});
