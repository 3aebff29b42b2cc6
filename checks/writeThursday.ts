import { readFileSync, writeFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import '../src/core/food/load';
import { demoHouse, demoIds, demoRecipe } from '../demo/demo';
import type { House } from '../src/core/kitchen/house';
import { arranged } from '../src/core/service/arrange/arrange';
import { boardOf } from '../src/core/service/board';
import { openService } from '../src/core/service/openService';
import { Timetables } from '../src/core/service/timetables';

/**
 * The canteen’s Thursday arranged anew, so that nothing on it clashes: by the book, and as three months have taught the
 * canteen. Run when the model, its soups or its history have moved.
 */
const FILE = 'demo/services/thursday-lunch.json';
const LEARNED = 'demo/places-learned.json';
const text = readFileSync(FILE, 'utf8');
const opened = openService(text);
if (opened.kind !== 'service') throw new Error(`${FILE} is no service`);
const { service } = opened;

function placedIn(house: House) {
  const tables = new Timetables(house, new Map(demoIds().map((id) => [id, demoRecipe(id)])));
  const here = { house, tables, live: {}, now: null };
  const outcome = arranged({ ...service, placed: {} }, here);
  if (outcome.kind !== 'arranged') throw new Error('Thursday cannot be arranged');
  const { placed } = outcome.arranged;
  const clashes = boardOf({ ...service, placed }, here).clashes.length;
  process.stdout.write(
    `${clashes} clashes; ${Object.entries(placed)
      .map(([key, p]) => `${key} ${p.burnerId} ${p.lightAt}`)
      .join(', ')}\n`,
  );
  return placed;
}

const plain = demoHouse();
const { own } = JSON.parse(gunzipSync(readFileSync('demo/history.json.gz')).toString()).learned;
writeFileSync(FILE, `${JSON.stringify({ ...JSON.parse(text), placed: placedIn(plain) }, null, 2)}\n`);
const learned = placedIn({ ...plain, pace: own.pace, kitchen: { ...plain.kitchen, own: own.pot } });
writeFileSync(LEARNED, `${JSON.stringify({ 'thursday-lunch.json': learned }, null, 2)}\n`);
