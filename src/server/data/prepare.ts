import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import pg from 'pg';
import { readKitchenIds } from '../queries/kitchens';
import { setAside } from '../queries/record/aside';
import { sealOld } from '../queries/record/seals';
import { makeBackup } from './backup';
import { limited } from './database';
import { loadBlank, loadDemo } from './demo/demo';
import { backupName } from './keepBackups';
import { migrate, pending } from './migrate';
import { makeParts } from './parts';
import { guard } from './roles';

/**
 * Brings the database up to date as its owner (DATABASE_URL), gives the application a role of its own
 * (APP_DATABASE_URL) and loads the demo into an empty one. Run before the server starts.
 */
const db = new pg.Pool({
  ...limited(process.env.DATABASE_URL ?? '', 'saves'),
  // A migration may have to rewrite years of a kitchen.
  statement_timeout: 0,
  query_timeout: 0,
});
/** A kitchen that is to be brought up to date is put away first, as it stands. */
async function backUpFirst(): Promise<void> {
  const [first] = await pending(db);
  if (!first) return;
  const { rowCount } = await db.query('SELECT 1 FROM kitchen LIMIT 1');
  const folder = process.env.PANACHE_BACKUPS ?? '';
  if (!rowCount || folder === 'off' || folder === '') return;
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, `before-${first.slice(0, 4)}-${backupName(new Date())}`);
  await makeBackup(process.env.DATABASE_URL ?? '', file).catch((error: Error) => {
    throw new Error(
      `the backup before this upgrade could not be made (${error.message}); nothing was changed, and PANACHE_BACKUPS=off goes without one`,
    );
  });
  console.log(`backup: the kitchen as it was before this upgrade is in ${file}`);
}

/** Whoever owns the database sees all of it: where there are two kitchens the application must be somebody else. */
async function refuseMany(): Promise<void> {
  const { rowCount } = await db.query('SELECT 1 FROM kitchen LIMIT 2');
  if ((rowCount ?? 0) > 1)
    throw new Error(
      'there are several kitchens here, and the application would run as the owner, who sees all of them: give it a role of its own',
    );
}

try {
  await backUpFirst();
  const applied = await migrate(db);
  const parts = await makeParts(db);
  if (applied.length) console.log(`database: applied ${applied.join(', ')}`);
  if (parts.length) console.log(`database: parts of the record for ${parts.join(', ')}`);
  if (process.env.APP_DATABASE_URL) {
    const { username, password } = new URL(process.env.APP_DATABASE_URL);
    await guard(db, decodeURIComponent(username), decodeURIComponent(password)).catch(
      async (error: Error) => {
        await refuseMany();
        console.log(
          `database: no role for the application could be made (${error.message}): it runs as the owner, and the record is guarded by triggers alone`,
        );
      },
    );
  } else await refuseMany();
  if (process.env.PANACHE_DEMO !== 'off') {
    const loaded = await loadDemo(db, join(process.cwd(), 'demo'));
    if (loaded) console.log('demo: Quay House Canteen loaded, one batch under way');
  } else if (await loadBlank(db)) console.log('kitchen: a blank one, to be filled in under Kitchen');
  const ids = await readKitchenIds(db);
  const own = process.env.PANACHE_KITCHEN;
  if (own && !ids.includes(own))
    throw new Error(
      `PANACHE_KITCHEN is ${own}, and there is ${ids.join(', ')}: say one of these, or nothing`,
    );
  // Whatever stands wrong with what is old: the kitchen opens, and is told.
  try {
    const aside = await setAside(db);
    if (aside > 0)
      console.log(
        `record: ${aside} lines stand under an id another has; they stand aside until ./panache mend`,
      );
    const sealed = await sealOld(db);
    if (sealed > 0) console.log(`record: ${sealed} lines from before are sealed`);
  } catch (error) {
    console.log(
      `record: what is old could not be sealed (${error instanceof Error ? error.message : String(error)}); ./panache verify says what stands wrong`,
    );
  }
} catch (error) {
  console.error(`database: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 1;
} finally {
  await db.end();
}
