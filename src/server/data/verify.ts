import { type Head, NO_LINK } from '../../core/record/chain';
import { findingWords } from '../../core/record/findingWords';
import { together } from '../../core/record/followed';
import { inEnglish } from '../../core/text/inWords';
import { verifyRecord } from '../actions/verify';
import { inKitchen } from '../guard/asking';
import { readKitchenIds } from '../queries/kitchens';
import { KitchenPool, limited } from './database';

/**
 * Says whether anything in the record was changed, removed or slipped in: DATABASE_URL to look in, and heads as
 * JSON. Ends with 1 where something
 * does not agree, with 2 where it could not be looked at.
 */
/** Lines followed before it says how far it is. */
const AT_A_TIME = 100_000;

const heads = JSON.parse(process.argv[2] ?? '[]') as readonly Head[];
const db = new KitchenPool({ ...limited(process.env.DATABASE_URL ?? '', 'archive') });

/** Follows one kitchen’s record and prints what is found. False where something is. */
async function follow(kitchen: string, alone: boolean): Promise<boolean> {
  const of = alone ? 'record' : `record of ${kitchen}`;
  let so = await verifyRecord(db, heads, { after: NO_LINK, atMost: AT_A_TIME });
  while (!so.done) {
    console.error(`${of}: ${so.head.n} of ${so.of} lines followed`);
    so = together(so, await verifyRecord(db, heads, { after: so.head, atMost: AT_A_TIME }));
  }
  const { links, head, findings, more, aside, away } = so;
  for (const f of findings) console.log(inEnglish(findingWords(f)));
  if (more > 0) console.log(`${of}: and ${more} more`);
  if (aside > 0)
    console.log(`${of}: ${aside} lines stand aside, another has their id: ./panache mend puts them back`);
  for (const a of away)
    console.log(
      `${of}: ${a.lines} lines are put away in ${a.file}, SHA-256 ${a.sha256}: followed, not looked at`,
    );
  console.log(
    findings.length === 0
      ? `${of}: all ${links} lines follow; head ${head.n}:${head.hash}`
      : `${of}: ${findings.length + more} things do not agree, of ${links} lines; head ${head.n}:${head.hash}`,
  );
  return findings.length === 0 && aside === 0;
}

try {
  const ids = await readKitchenIds(db);
  const wanted = process.argv[3] ? ids.filter((id) => id === process.argv[3]) : ids;
  if (process.argv[3] && wanted.length === 0)
    throw new Error(`${process.argv[3]} is no kitchen here; there are ${ids.join(', ')}`);
  // A head is the end of one kitchen’s chain, and of no other’s.
  if (heads.length > 0 && wanted.length > 1)
    throw new Error(`verify KITCHEN --head …: of which kitchen is it? There are ${ids.join(', ')}`);
  const went: boolean[] = [];
  for (const id of wanted) went.push(await inKitchen(id, () => follow(id, ids.length === 1)));
  if (ids.length === 0) console.log('record: there is no kitchen yet');
  process.exitCode = went.every(Boolean) ? 0 : 1;
} catch (error) {
  console.error(`record: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 2;
} finally {
  await db.end();
}
