import { readFileSync, writeFileSync } from 'node:fs';
import '../src/core/food/load';
import { demoHouse, demoIds, demoRecipe } from '../demo/demo';
import { arranged } from '../src/core/service/arrange/arrange';
import { boardOf } from '../src/core/service/board';
import { openService } from '../src/core/service/openService';
import { Timetables } from '../src/core/service/timetables';

/** The canteen’s Thursday arranged anew, so that nothing on it clashes: run when the model, or its soups, have moved. */
const FILE = 'demo/services/thursday-lunch.json';
const text = readFileSync(FILE, 'utf8');
const opened = openService(text);
if (opened.kind !== 'service') throw new Error(`${FILE} is no service`);
const house = demoHouse();
const tables = new Timetables(house, new Map(demoIds().map((id) => [id, demoRecipe(id)])));
const here = { house, tables, live: {}, now: null };
const outcome = arranged({ ...opened.service, placed: {} }, here);
if (outcome.kind !== 'arranged') throw new Error('Thursday cannot be arranged');
const { placed } = outcome.arranged;
const clashes = boardOf({ ...opened.service, placed }, here).clashes.length;
writeFileSync(FILE, `${JSON.stringify({ ...JSON.parse(text), placed }, null, 2)}\n`);
process.stdout.write(
  `${clashes} clashes; ${Object.entries(placed)
    .map(([key, p]) => `${key} ${p.burnerId} ${p.lightAt}`)
    .join(', ')}\n`,
);
