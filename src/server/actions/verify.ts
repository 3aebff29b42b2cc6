import type pg from 'pg';
import type { Finding, Head } from '../../core/record/chain';
import type { NamedFinding } from '../../core/record/findingWords';
import type { ChainFollowed } from '../../core/record/followed';
import type { Queryable } from '../data/database';
import { type ChainStretch, verifyChain } from '../queries/record/seals';
import { theHouse } from './kitchen';

async function named(db: Queryable, kitchenId: string, finding: Finding): Promise<NamedFinding> {
  const n = 'n' in finding ? finding.n : null;
  const id = 'id' in finding ? finding.id : null;
  const { rows } = await db.query<{ sealed_at: Date }>(
    'SELECT sealed_at FROM seal WHERE kitchen_id = $1 AND n <= $2 ORDER BY n DESC LIMIT 1',
    [kitchenId, n ?? -1],
  );
  const { rows: found } = id
    ? await db.query<{ name: string; kind: string; at: Date }>(
        `SELECT coalesce(b.plan ->> 'recipeName', p.body ->> 'name', '') AS name, coalesce(t.row #>> '{body,kind}', t.source) AS kind, t.at
         FROM to_seal t
         LEFT JOIN batch b ON b.id::text = coalesce(t.row ->> 'batch', t.id::text)
         LEFT JOIN keep_event p ON p.lot_id::text = t.row ->> 'lot' AND p.body ->> 'kind' = 'put by'
         WHERE t.id = $1 LIMIT 1`,
        [id],
      )
    : { rows: [] };
  const [row] = found;
  return {
    finding,
    row: row ? { name: row.name, kind: row.kind, at: row.at.toISOString() } : null,
    sealedAt: rows[0]?.sealed_at.toISOString() ?? null,
  };
}

/** Whether anything in the kitchen’s record was changed, removed or slipped in: which row, and since when it is not as it was. */
export async function verifyRecord(
  db: pg.Pool,
  heads: readonly Head[],
  stretch?: ChainStretch,
): Promise<ChainFollowed<NamedFinding>> {
  const { id } = await theHouse(db);
  const { findings, ...rest } = await verifyChain(db, id, heads, stretch);
  const all: NamedFinding[] = [];
  for (const finding of findings) all.push(await named(db, id, finding));
  return { ...rest, findings: all };
}
