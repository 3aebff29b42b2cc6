import type { Metadata } from 'next';
import { changedLines } from '../../../core/formats/changedLines';
import { kitchenWords } from '../../../core/formats/kitchenWords';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { readKitchenVersions } from '../../../server/queries/kitchen';
import { VersionsView } from '../../../ui/frame/VersionsView';

export const metadata: Metadata = { title: 'Revisions of the kitchen' };
export const dynamic = 'force-dynamic';

export default async function KitchenVersionsPage() {
  const db = pool();
  const house = await theHouse(db);
  const versions = await readKitchenVersions(db, house.id);
  const words = versions.map((v) => kitchenWords(v.body));
  const shown = versions.map(({ body: _body, revision: number, ...v }, n) => ({
    ...v,
    number,
    changes: changedLines(words[n + 1] ?? null, words[n] ?? []),
  }));
  return (
    <VersionsView
      name={house.name}
      called="Revision"
      versions={shown}
      back={{ href: '/kitchen', words: 'Back to the kitchen' }}
      restore={{ path: '/api/kitchen/restore', field: 'revision' }}
    />
  );
}
