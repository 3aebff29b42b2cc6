import { openWeek } from '../../../server/actions/log/days';
import { pool } from '../../../server/data/database';
import { readHouse } from '../../../server/queries/kitchen';
import { WeekView } from '../../../ui/log/days/WeekView';
import { EmptyHouse } from '../../../ui/shared/EmptyHouse';
import { titled } from '../../reader';

export const generateMetadata = titled('Week');
export const dynamic = 'force-dynamic';

export default async function WeekPage({ searchParams }: { searchParams: Promise<{ day?: string }> }) {
  const { day } = await searchParams;
  if (!(await readHouse(pool()))) return <EmptyHouse />;
  return <WeekView opened={await openWeek(pool(), typeof day === 'string' ? day : null)} />;
}
