import type { Metadata } from 'next';
import { spreadSheet } from '../../../core/flow/readings/sheet';
import { BOWL_CELSIUS } from '../../../core/flow/viscosity';
import { pool } from '../../../server/database';
import { theHouse } from '../../../server/kitchen';
import { LineSpreadView } from '../../../ui/check/LineSpreadView';

export const metadata: Metadata = { title: 'Line-spread sheet' };
export const dynamic = 'force-dynamic';

export default async function LineSpreadPage() {
  const { kitchen } = await theHouse(pool());
  return <LineSpreadView sheet={spreadSheet(kitchen.bandLimits, BOWL_CELSIUS)} />;
}
