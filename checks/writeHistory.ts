import { writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { v5 } from 'uuid';
import { cookedBatch, type Hidden } from '../demo/cook';
import { demoHouse, demoRecipe } from '../demo/demo';
import type { Batch } from '../src/core/batch/record';
import { type Lesson, lessonOf } from '../src/core/learn/own/batch/lesson';
import { toldBy } from '../src/core/learn/own/batch/told';
import { type Knowledge, NOTHING_LEARNED } from '../src/core/learn/own/knowledge';
import { type Did, ownNumbers, teach } from '../src/core/learn/own/teach';
import { type Logged, loggedOf } from '../src/core/log/logged';
import { normals, seeded } from '../src/core/maths/random';

/**
 * Three months of the canteen, cooked by the engine in a kitchen whose own numbers nobody there knows, and learned from as
 * they go: run when the model has moved. Two things happen in it: a lot of flour is weak, and a burner loses a jet.
 */
const FILE = 'demo/history.json.gz';
const OWN = '0b9a4f9c-3f0e-4a53-8d2b-7c1de0f6a4aa';
/** Any Monday: a demo that is loaded moves all to end on its own yesterday. */
const FIRST = Date.UTC(2026, 7, 31, 8, 30);
const WEEKS = 13;
const DAY = 86_400_000;

/** From this day on, of so many, the sack of flour is a weak one; from that it is not. */
const WEAK = [54, 73] as const;
/** From this day on the front left has a jet less. */
const LOST = 66;

const hidden = (day: number): Hidden => ({
  numbers: {
    flour: { 'plain-flour': day >= WEAK[0] && day < WEAK[1] ? 0.7 : 0.96, cornstarch: 1.06 },
    puree: { 'smoked-parsnip': 1.14, 'green-peas': 0.9, 'chestnut-mushroom': 1.05 },
    leaching: { 'waxy-potato': 0.85 },
    waterLoss: { 'tall-steel-36 off': 1.25, 'middle-28 off': 0.92, 'deep-42 off': 1.1 },
    burner: { 'front-left': day >= LOST ? 0.66 : 0.97, 'front-right': 1.04, 'floor-ring': 0.95 },
    juices: {},
    softening: {},
    soup: {
      'smoked-parsnip-veloute': 1.04,
      'cockle-and-leek-chowder': 0.95,
      'chestnut-mushroom-cream': 1.03,
      'green-pea-and-lettuce-cream': 0.98,
      'mussel-veloute-with-liaison': 1.05,
    },
  },
  pours: { Opener: 1.002, Closer: 1.022, Lead: 0.996 },
  pace: { weighing: 1.3, sweat: 1.12, puree: 0.85, roux: 1.15 },
});

/** Soups of a week, by day: which, how much, where, when, by whom. */
const WEEK = [
  [0, 'cockle-and-leek-chowder', 12, 'tall-steel-36', 'front-left', 0, 'Opener'],
  [0, 'smoked-parsnip-veloute', 8, 'middle-28', 'front-right', 7.5, 'Closer'],
  [1, 'chestnut-mushroom-cream', 10, 'tall-steel-36', 'front-left', 0.5, 'Opener'],
  [2, 'green-pea-and-lettuce-cream', 8, 'middle-28', 'front-right', 0, 'Lead'],
  [3, 'cockle-and-leek-chowder', 14, 'tall-steel-36', 'front-left', 0, 'Opener'],
  [3, 'mussel-veloute-with-liaison', 6, 'middle-28', 'front-right', 7, 'Closer'],
  [4, 'smoked-parsnip-veloute', 20, 'deep-42', 'floor-ring', 0, 'Lead'],
  [5, 'chestnut-mushroom-cream', 12, 'tall-steel-36', 'front-left', 1, 'Closer'],
] as const;

type Taught = { readonly lesson: Lesson; readonly did: Did };

const normal = normals(seeded(20_260_831));
const uniform = seeded(77);
let knowledge: Knowledge = NOTHING_LEARNED;
const [batches, logged, lessons]: [Batch[], Logged[], Taught[]] = [[], [], []];
const plain = demoHouse();
for (let week = 0; week < WEEKS; week++)
  for (const [weekday, recipeId, litres, vesselId, burnerId, hours, station] of WEEK) {
    const day = week * 7 + weekday;
    const { pot, pace } = ownNumbers(knowledge);
    const { batch } = cookedBatch({
      house: { ...plain, pace, kitchen: { ...plain.kitchen, own: pot } },
      recipe: demoRecipe(recipeId),
      litres,
      vesselId,
      burnerId,
      startedAt: FIRST + day * DAY + hours * 3_600_000 + Math.round(uniform() * 20) * 60_000,
      station,
      hidden: hidden(day),
      normal,
      id: v5(`${week} ${weekday} ${recipeId}`, OWN),
      reads: { cup: uniform() < 0.88, ruler: uniform() < 0.6, probe: uniform() < 0.8 },
    });
    const lesson = lessonOf(batch, toldBy(batch));
    if (!lesson) throw new Error(`${recipeId} teaches nothing`);
    const step = teach(knowledge, lesson);
    ({ knowledge } = step);
    const noticed = step.did.noticed;
    if (noticed)
      process.stdout.write(
        `day ${day}: ${noticed.key} ${(noticed.after / noticed.before).toFixed(2)} since ${noticed.since.slice(0, 10)}\n`,
      );
    batches.push(batch);
    logged.push(loggedOf(batch));
    lessons.push({ lesson, did: step.did });
  }
const own = ownNumbers(knowledge);
const rounded = (_key: string, value: unknown): unknown =>
  typeof value === 'number' && !Number.isInteger(value) ? Number(value.toPrecision(9)) : value;
const text = JSON.stringify({ batches, logged, lessons, learned: { knowledge, own } }, rounded);
writeFileSync(FILE, gzipSync(text, { level: 9 }));
process.stdout.write(
  `${batches.length} batches, ${logged.filter((b) => b.landed === b.band && b.corrections.length === 0).length} landed first, ${logged.filter((b) => b.corrections.length > 0).length} put right, ${(text.length / 1e6).toFixed(1)} MB as text\n`,
);
