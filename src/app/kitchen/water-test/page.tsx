import { boilsAt } from '../../../core/pot/cook';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { readWaterTests } from '../../../server/queries/waterTests';
import { WaterTestView } from '../../../ui/kitchen/waterTest/WaterTestView';
import { titled } from '../../reader';

export const generateMetadata = titled('Water test');
export const dynamic = 'force-dynamic';

type Query = Promise<Record<string, string | string[] | undefined>>;

export default async function WaterTestPage({ searchParams }: { searchParams: Query }) {
  const { pot } = await searchParams;
  const db = pool();
  const house = await theHouse(db);
  const past = await readWaterTests(db, house.id);
  return (
    <WaterTestView
      house={house}
      boils={boilsAt(house.kitchen)}
      first={house.vessels.find((v) => v.id === pot)?.id ?? house.vessels[0]?.id ?? ''}
      past={past}
    />
  );
}
