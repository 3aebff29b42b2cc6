import { spreadSheet } from '../../../core/flow/readings/sheet';
import { BOWL_CELSIUS } from '../../../core/flow/viscosity';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { LineSpreadView } from '../../../ui/check/LineSpreadView';
import { titled } from '../../reader';

export const generateMetadata = titled('Line-spread sheet');
export const dynamic = 'force-dynamic';

export default async function LineSpreadPage() {
  const { kitchen } = await theHouse(pool());
  return <LineSpreadView sheet={spreadSheet(kitchen.bandLimits, BOWL_CELSIUS)} />;
}
