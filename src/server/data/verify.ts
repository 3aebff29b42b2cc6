import pg from 'pg';
import { type Head, NO_LINK } from '../../core/record/chain';
import { findingWords } from '../../core/record/findingWords';
import { together } from '../../core/record/followed';
import { inEnglish } from '../../core/text/inWords';
import { verifyRecord } from '../actions/verify';
import { limited } from './database';

/**
 * Says whether anything in the record was changed, removed or slipped in: DATABASE_URL to look in, and heads as
 * JSON. Ends with 1 where something
 * does not agree, with 2 where it could not be looked at.
 */
/** Lines followed before it says how far it is. */
const AT_A_TIME = 100_000;

const heads = JSON.parse(process.argv[2] ?? '[]') as readonly Head[];
const db = new pg.Pool({ ...limited(process.env.DATABASE_URL ?? '', 'archive') });
try {
  let so = await verifyRecord(db, heads, { after: NO_LINK, atMost: AT_A_TIME });
  while (!so.done) {
    console.error(`record: ${so.head.n} of ${so.of} lines followed`);
    so = together(so, await verifyRecord(db, heads, { after: so.head, atMost: AT_A_TIME }));
  }
  const { links, head, findings, more, aside, away } = so;
  for (const f of findings) console.log(inEnglish(findingWords(f)));
  if (more > 0) console.log(`record: and ${more} more`);
  if (aside > 0)
    console.log(`record: ${aside} lines stand aside, another has their id: ./panache mend puts them back`);
  for (const a of away)
    console.log(
      `record: ${a.lines} lines are put away in ${a.file}, SHA-256 ${a.sha256}: followed, not looked at`,
    );
  console.log(
    findings.length === 0
      ? `record: all ${links} lines follow; head ${head.n}:${head.hash}`
      : `record: ${findings.length + more} things do not agree, of ${links} lines; head ${head.n}:${head.hash}`,
  );
  process.exitCode = findings.length === 0 && aside === 0 ? 0 : 1;
} catch (error) {
  console.error(`record: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 2;
} finally {
  await db.end();
}
