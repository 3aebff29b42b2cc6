import type { Metadata } from 'next';
import { kitchenFileOf } from '../../core/formats/kitchenFile';
import { pool } from '../../server/database';
import { theHouse } from '../../server/kitchen';
import { readImports } from '../../server/queries/imports';
import { KitchenView } from '../../ui/kitchen/KitchenView';
import { WhenLive } from '../../ui/shared/WhenLive';

export const metadata: Metadata = { title: 'Kitchen' };
export const dynamic = 'force-dynamic';

type Query = Promise<Record<string, string | string[] | undefined>>;

export default async function KitchenPage({ searchParams }: { searchParams: Query }) {
  const { part } = await searchParams;
  const house = await theHouse(pool());
  const last = (await readImports(pool(), house.id)).find((i) => i.undoneAt === null);
  return (
    <WhenLive>
      <KitchenView
        kitchen={kitchenFileOf(house)}
        revision={house.revision}
        lastImport={last ? { id: last.id, madeAt: last.madeAt, taken: last.taken } : null}
        part={typeof part === 'string' ? part : undefined}
      />
    </WhenLive>
  );
}
