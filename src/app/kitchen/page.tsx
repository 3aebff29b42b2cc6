import { kitchenFileOf } from '../../core/kitchen/kitchenFile';
import { waitingOfGroup } from '../../server/actions/groups';
import { theHouse } from '../../server/actions/kitchen';
import { pool } from '../../server/data/database';
import { backupsTold } from '../../server/data/keepBackups';
import { readImports } from '../../server/queries/imports';
import { WhenLive } from '../../ui/frame/WhenLive';
import { KitchenView } from '../../ui/kitchen/KitchenView';
import { titled } from '../reader';

export const generateMetadata = titled('Kitchen');
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
        backups={await backupsTold()}
        waiting={await waitingOfGroup(pool())}
        part={typeof part === 'string' ? part : undefined}
      />
    </WhenLive>
  );
}
