import type { Metadata } from 'next';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { FunnelView } from '../../../ui/check/FunnelView';

export const metadata: Metadata = { title: 'Calibrate a funnel' };
export const dynamic = 'force-dynamic';

export default async function FunnelPage() {
  return <FunnelView funnels={(await theHouse(pool())).funnels} />;
}
