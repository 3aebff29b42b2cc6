import { join } from 'node:path';
import { pool } from './database';
import { loadBlank, loadDemo } from './demo';
import { migrate } from './migrate';

/** Brings the database up to date and loads the demo into an empty one. Run before the server starts. */
const db = pool();
try {
  const applied = await migrate(db);
  if (applied.length) console.log(`database: applied ${applied.join(', ')}`);
  if (process.env.PANACHE_DEMO !== 'off') {
    const loaded = await loadDemo(db, join(import.meta.dirname, '../../demo'));
    if (loaded) console.log('demo: Quay House Canteen loaded, one batch under way');
  } else if (await loadBlank(db)) console.log('kitchen: a blank one, to be filled in under Kitchen');
} catch (error) {
  console.error(`database: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 1;
} finally {
  await db.end();
}
