import { openLog } from '../../server/actions/log/log';
import { pool } from '../../server/data/database';
import { readHouse } from '../../server/queries/kitchen';
import { readLoggedSoups } from '../../server/queries/log';
import { readRecipeNames } from '../../server/queries/recipes';
import { LogView } from '../../ui/log/LogView';
import { EmptyHouse } from '../../ui/shared/EmptyHouse';
import { titled } from '../reader';

export const generateMetadata = titled('Log');
export const dynamic = 'force-dynamic';

type Query = { readonly find?: string; readonly soup?: string; readonly landed?: string };

export default async function LogPage({ searchParams }: { searchParams: Promise<Query> }) {
  const { find = '', soup = '', landed = '' } = await searchParams;
  const db = pool();
  const house = await readHouse(db);
  if (!house) return <EmptyHouse />;
  const [first, soups, cooked] = await Promise.all([
    openLog(db, { find: String(find), soup: String(soup), landed: String(landed) }),
    readRecipeNames(db, house.id),
    readLoggedSoups(db, house.id),
  ]);
  return (
    <LogView
      first={first}
      limits={house.kitchen.bandLimits}
      soups={soups.filter((s) => cooked.has(s.id)).map(({ id, name }) => ({ id, name }))}
      names={first.names}
      query={{ find: String(find), soup: String(soup), landed: String(landed) }}
    />
  );
}
