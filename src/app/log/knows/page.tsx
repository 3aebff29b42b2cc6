import { houseKnows } from '../../../server/actions/log/log';
import { pool } from '../../../server/data/database';
import { readHouse } from '../../../server/queries/kitchen';
import { KnowsView } from '../../../ui/log/knows/KnowsView';
import { EmptyHouse } from '../../../ui/shared/EmptyHouse';
import { titled } from '../../reader';

export const generateMetadata = titled('What the house knows');
export const dynamic = 'force-dynamic';

export default async function KnowsPage({ searchParams }: { searchParams: Promise<{ key?: string }> }) {
  const { key } = await searchParams;
  if (!(await readHouse(pool()))) return <EmptyHouse />;
  const knows = await houseKnows(pool());
  return <KnowsView knows={knows} soups={knows.soups} open={typeof key === 'string' ? key : null} />;
}
