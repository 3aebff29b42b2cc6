import { idFrom } from '../../core/formats/draft/ids';
import { inKitchen } from '../guard/asking';
import { readHouse } from '../queries/kitchen';
import { hasOwnRole, readGroups, readKitchenIds, writeGroup } from '../queries/kitchens';
import { KitchenPool, limited, transaction } from './database';
import { addKitchen } from './demo/demo';

/**
 * Kitchens of one database, and the groups they are in: `list`, `add NAME`, `group NAME HEAD ID …`. Run as the owner (DATABASE_URL).
 */
const [what = 'list', ...rest] = process.argv.slice(2);
const db = new KitchenPool(limited(process.env.DATABASE_URL ?? '', 'saves'));

/** Every kitchen by its name, and its group. */
async function list(): Promise<void> {
  const groups = await readGroups(db);
  for (const id of await readKitchenIds(db)) {
    const house = await inKitchen(id, () => readHouse(db));
    const group = groups.find((g) => g.kitchens.includes(id));
    const of = group ? `, ${group.head === id ? 'leads' : 'of'} ${group.name}` : '';
    console.log(`kitchen: ${id} is ${house?.name}${of}`);
  }
}

async function add(name: string): Promise<void> {
  if (!(await hasOwnRole(db)))
    throw new Error(
      'the application has no role of its own in this database and would show each kitchen all others: start Panache once with an owner that may make roles',
    );
  const id = await addKitchen(db, name);
  console.log(`kitchen: ${id} is ${name}; ./panache code ${id} lets its lead’s screen in`);
}

async function group(name: string, kitchens: readonly string[]): Promise<void> {
  const known = await readKitchenIds(db);
  for (const id of kitchens)
    if (!known.includes(id)) throw new Error(`${id} is no kitchen here; there are ${known.join(', ')}`);
  const [head] = kitchens;
  if (!head) throw new Error('group NAME HEAD ID …: which kitchens, the one that leads them first');
  await transaction(
    (tx) => writeGroup(tx, { id: idFrom(name, 'group'), name, head, kitchens: [...new Set(kitchens)] }),
    db,
  );
  console.log(`group: ${name} is ${[...new Set(kitchens)].join(', ')}, led by ${head}`);
}

try {
  const [name = '', ...kitchens] = rest;
  if (what === 'list') await list();
  else if (name.trim() === '') throw new Error(`${what} NAME: what is it called?`);
  else if (what === 'add') await add(name.trim());
  else await group(name.trim(), kitchens);
} catch (error) {
  console.error(`kitchen: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 1;
} finally {
  await db.end();
}
