import pg from 'pg';
import type { Head } from '../../core/record/chain';
import { mend } from '../queries/record/aside';
import { limited } from './database';
import { bringBack, listParts, NotMoved, type Part, putAway } from './parts';
import { recover } from './recover';

/**
 * What the command line asks of the parts of the record, as its owner: `parts`, `put-away NAME FILE`, `bring-back
 * FILE`, `recover FILE HEADS` or `mend`. Ends with 1 where it is refused, with 2 where it could not be tried.
 */
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
  } else if (what === 'recover') {
    const heads = JSON.parse(file || '[]') as readonly Head[];
    const so = await recover(db, first, heads);
    console.log(
      `${so.name}: of ${so.lines} lines ${so.here} were here and ${so.back} are back, with ${so.batchesBack} batches`,
    );
    console.log(`record: ${so.follow} links of the file follow one another`);
    for (const { head, agrees } of so.heads)
      console.log(
        `record: the head kept at line ${head.n} ${agrees ? 'is borne out by it' : 'is NOT what the file has'}`,
      );
    if (so.linesMissing > 0)
      console.log(
        `record: ${so.linesMissing} lines are missing still: the recipes their batches were cooked from are not here (${so.batchesMissing.join(', ')}). Take in an archive that has them, and recover again.`,
      );
    if (so.linesMissing > 0 || so.heads.some((h) => !h.agrees)) process.exitCode = 1;
  } else if (what === 'mend') {
    const { again, same } = await mend(db);
    console.log(
      again + same === 0
        ? 'record: nothing stands aside'
        : `record: ${again} lines are written again, each under an id of its own; ${same} only said again what stands`,
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
