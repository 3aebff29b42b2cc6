import { theHouse } from '../../server/actions/kitchen';
import { pool } from '../../server/data/database';
import { readSamples } from '../../server/data/demo/samples';
import { readRecipeNames } from '../../server/queries/recipes';
import { BeginView } from '../../ui/begin/BeginView';
import { WhenLive } from '../../ui/frame/WhenLive';
import { titled } from '../reader';

export const generateMetadata = titled('Begin');
export const dynamic = 'force-dynamic';

export default async function BeginPage() {
  const db = pool();
  const house = await theHouse(db);
  const known = new Set((await readRecipeNames(db, house.id)).map((r) => r.id));
  return (
    <WhenLive>
      <BeginView house={house} samples={await readSamples()} known={[...known]} />
    </WhenLive>
  );
}
