import { byThePlan, demoBatch, eventAt } from '../../../../demo/batch';
import type { EventBody } from '../../batch/events';
import { offsetLeft, SCATTER } from '../../batch/follow/filter';
import { ASPECTS } from '../../batch/follow/readings';
import { dot } from '../../maths/matrix';
import { normals, seeded } from '../../maths/random';
import { type Heard, saidBy } from './batch/heard';
import { readingsOf } from './batch/hearing';
import type { Lesson } from './batch/lesson';
import { type NumberKey, partsOf, spreadBefore } from './laws';

/** A soup as it is read in a kitchen: the numbers its readings hang on, and how. */
export type ReadSoup = { readonly keys: readonly NumberKey[]; readonly heard: readonly Heard[] };

const CUP: EventBody = {
  kind: 'flow',
  test: { kind: 'cup', orifice: 6 },
  readings: [30, 31],
  celsius: 70,
};

/** A soup of the demo with a ruler at the end of its simmer and a cup at the pass, by the engine’s own slopes. */
export function soup(id: string, litres: number, pot: string, burner: string): ReadSoup {
  const { batch, plan } = demoBatch(id, { litres, pot, burner });
  const simmer = plan.steps.findLastIndex((s) => s.step.kind === 'simmer');
  const at = (plan.steps[simmer]?.startsAt ?? 0) + (plan.steps[simmer]?.seconds ?? 0);
  const events = [
    ...byThePlan(plan),
    eventAt(900, at - 20, { kind: 'depth', mm: 110 }),
    eventAt(901, plan.seconds + 30, CUP),
  ];
  const found = readingsOf({ ...batch, events });
  if (!found) throw new Error('a demo batch has readings');
  return { keys: found.keys, heard: found.heard };
}

/** Soups of a week: two burners, two pots, flour and starch and purée. */
export const aWeek = (): readonly ReadSoup[] => [
  soup('smoked-parsnip-veloute', 8, 'middle-28', 'front-right'),
  soup('cockle-and-leek-chowder', 12, 'tall-steel-36', 'front-left'),
  soup('smoked-parsnip-veloute', 16, 'tall-steel-36', 'front-left'),
  soup('green-pea-and-lettuce-cream', 8, 'middle-28', 'front-right'),
];

/** Soups that stand on flour. */
export const floured = (): readonly ReadSoup[] => [
  soup('cockle-and-leek-chowder', 12, 'tall-steel-36', 'front-left'),
  soup('chestnut-mushroom-cream', 10, 'middle-28', 'front-right'),
  soup('mussel-veloute-with-liaison', 8, 'middle-28', 'front-right'),
];

export type HouseTruth = ReadonlyMap<string, number>;

/** A house that might be: each part of each number drawn from its law. */
export function houseFrom(all: readonly ReadSoup[], normal: () => number): HouseTruth {
  const parts = new Map<string, number>();
  for (const key of new Set(all.flatMap((s) => s.keys)))
    for (const { name, variance } of partsOf(key, 1, false))
      if (!parts.has(name)) parts.set(name, normal() * Math.sqrt(variance));
  return parts;
}

/** ln of a number of that house. */
export const numberIn = (truth: HouseTruth, key: NumberKey): number =>
  partsOf(key, 1, false).reduce((sum, p) => sum + (truth.get(p.name) ?? 0), 0);

/** What a batch of `soup` teaches in a house where its numbers are `is`: readings with their noise, and what is of this batch alone. */
export function batchIn(
  soup: ReadSoup,
  is: (key: NumberKey) => number,
  { n, normal, wrong = 0 }: { n: number; normal: () => number; wrong?: number },
): Lesson {
  const offsets = Object.fromEntries(ASPECTS.map((a) => [a, SCATTER[a] * normal()]));
  let minutes = 0;
  const x = soup.keys.map(is);
  const heard = soup.heard.map((h, k): Heard => {
    const passed = h.minutes - minutes;
    minutes = h.minutes;
    if (minutes !== passed)
      for (const a of ASPECTS) {
        const left = offsetLeft(a, passed);
        offsets[a] = (offsets[a] ?? 0) * left + SCATTER[a] * Math.sqrt(1 - left ** 2) * normal();
      }
    const own = ASPECTS.reduce((sum, a) => sum + (h.of[a] ?? 0) * (offsets[a] ?? 0), 0);
    return {
      ...h,
      miss: dot(h.slopes, x) + own + h.error * normal() + (k === soup.heard.length - 1 ? wrong : 0),
    };
  });
  return lessonFrom(soup.keys, heard, n);
}

export const lessonFrom = (keys: readonly NumberKey[], heard: readonly Heard[], n: number): Lesson => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  at: new Date(Date.UTC(2026, 8, 1 + n, 9)).toISOString(),
  keys,
  ...saidBy(heard, keys.map(spreadBefore)),
  readings: heard.length,
  lots: {},
  foreseen: heard.flatMap((h) =>
    h.speaksOf === 'thickness'
      ? [
          {
            what: 'viscosity' as const,
            miss: h.miss,
            slopes: h.slopes,
            own: Math.hypot(h.error, ...ASPECTS.map((a) => (h.of[a] ?? 0) * SCATTER[a])),
            read: 100,
          },
        ]
      : [],
  ),
  atEnd: heard.at(-1)?.slopes ?? [],
  could: [],
});

export const seededNormals = (seed: number): (() => number) => normals(seeded(seed));
