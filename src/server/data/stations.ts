import { forgetPin, makeCode } from '../actions/stations';
import { inKitchen } from '../guard/asking';
import { readHouse } from '../queries/kitchen';
import { readKitchenIds } from '../queries/kitchens';
import { countLeads } from '../queries/stations';
import { KitchenPool, limited } from './database';

/**
 * Prints a code for a lead’s station, for whoever sits at the kitchen’s machine: `first` where no lead’s station may come in yet, `code`
 * always, `pin` with the PIN taken away before, where it was lost. DATABASE_URL says of which kitchen.
 */
const [mode = 'first', kitchen = process.env.PANACHE_KITCHEN ?? ''] = process.argv.slice(2);
const db = new KitchenPool(limited(process.env.DATABASE_URL ?? '', 'saves'));

async function print(): Promise<void> {
  const house = await readHouse(db);
  if (!house) console.log('stations: there is no kitchen yet');
  else if (mode !== 'first' || (await countLeads(db, house.id)) === 0) {
    if (mode === 'pin') {
      await forgetPin(db);
      console.log('stations: the PIN is taken away; the next lead sets another');
    }
    const { code, until } = await makeCode(db, { name: 'Lead', access: 'lead' });
    const at = new Date(until).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
    console.log(
      `stations: code for a lead’s screen ${code.slice(0, 3)} ${code.slice(3)}, until ${at}, one screen; ./panache code makes another`,
    );
  }
}

try {
  const ids = await readKitchenIds(db);
  if (kitchen && !ids.includes(kitchen))
    throw new Error(`${kitchen} is no kitchen here; there are ${ids.join(', ')}`);
  // Of this machine’s own kitchen where it was not said of which: the first there is.
  const of = kitchen || (ids.length > 1 && mode !== 'first' ? '' : (ids[0] ?? ''));
  if (!of && ids.length > 1) throw new Error(`${mode} KITCHEN: of which? There are ${ids.join(', ')}`);
  await inKitchen(of, print);
} catch (error) {
  console.error(`stations: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 1;
} finally {
  await db.end();
}
