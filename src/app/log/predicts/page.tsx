import { openPredicts } from '../../../server/actions/log/log';
import { pool } from '../../../server/data/database';
import { readHouse } from '../../../server/queries/kitchen';
import { PredictsView } from '../../../ui/log/knows/PredictsView';
import { EmptyHouse } from '../../../ui/shared/EmptyHouse';
import { titled } from '../../reader';

export const generateMetadata = titled('How well it predicts');
export const dynamic = 'force-dynamic';

export default async function PredictsPage() {
  if (!(await readHouse(pool()))) return <EmptyHouse />;
  return <PredictsView predicts={await openPredicts(pool())} />;
}
