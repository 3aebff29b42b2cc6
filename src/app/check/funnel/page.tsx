import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { FunnelView } from '../../../ui/check/FunnelView';
import { titled } from '../../reader';

export const generateMetadata = titled('Calibrate a funnel');
export const dynamic = 'force-dynamic';

export default async function FunnelPage() {
  return <FunnelView funnels={(await theHouse(pool())).funnels} />;
}
