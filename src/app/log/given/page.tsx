import { openGiven } from '../../../server/actions/log/days';
import { pool } from '../../../server/data/database';
import { readHouse } from '../../../server/queries/kitchen';
import { GivenView } from '../../../ui/log/days/GivenView';
import { EmptyHouse } from '../../../ui/shared/EmptyHouse';
import { titled } from '../../reader';

export const generateMetadata = titled('Given out');
export const dynamic = 'force-dynamic';

export default async function GivenPage({ searchParams }: { searchParams: Promise<{ until?: string }> }) {
  const { until } = await searchParams;
  const house = await readHouse(pool());
  if (!house) return <EmptyHouse />;
  const opened = await openGiven(pool(), typeof until === 'string' ? until : null);
  return <GivenView opened={opened} currency={house.currency} />;
}
