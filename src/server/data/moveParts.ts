import pg from 'pg';
import { limited } from './database';
import { bringBack, listParts, NotMoved, type Part, putAway } from './parts';

/** What the command line asks of the parts of the record, as its owner: `parts`, `put-away NAME FILE` or `bring-back FILE`. Ends with 1 where it is refused, with 2 where it could not be tried. */
const [what = 'parts', first = '', file = ''] = process.argv.slice(2);

const day = (at: Date): string => at.toISOString().slice(0, 10);
const said = (p: Part): string =>
  [
    p.name.padEnd(8),
    `${p.from ? day(p.from) : 'the start'} to ${day(p.to)}`.padEnd(24),
    `${p.lines} lines`.padStart(16),
    p.away ? `put away ${day(p.away.at)} in ${p.away.file}` : `${(p.bytes / 1e6).toFixed(1)} MB`.padStart(10),
  ].join('  ');

const db = new pg.Pool({
  ...limited(process.env.DATABASE_URL ?? '', 'saves'),
  // Years may have to be read.
  statement_timeout: 0,
  query_timeout: 0,
});
try {
  if (what === 'parts') for (const part of await listParts(db)) console.log(said(part));
  else if (what === 'put-away') {
    const { lines, sha256 } = await putAway(db, first, file);
    console.log(
      `${first}: ${lines} lines are in ${file}; keep it (SHA-256 ${sha256}), the database has them no more`,
    );
  } else {
    const { name, lines } = await bringBack(db, first);
    console.log(`${name}: ${lines} lines are back, each as the chain has it`);
  }
} catch (error) {
  console.error(`record: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = error instanceof NotMoved ? 1 : 2;
} finally {
  await db.end();
}
