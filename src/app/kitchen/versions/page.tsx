import { withChanges } from '../../../core/formats/changedLines';
import { kitchenWords } from '../../../core/formats/kitchenWords';
import { message } from '../../../core/message/message';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { readKitchenVersions } from '../../../server/queries/kitchen';
import { VersionsView } from '../../../ui/frame/VersionsView';
import { titled, wordsHere } from '../../reader';

export const generateMetadata = titled('Revisions of the kitchen');
export const dynamic = 'force-dynamic';

export default async function KitchenVersionsPage() {
  const db = pool();
  const house = await theHouse(db);
  const versions = await readKitchenVersions(db, house.id);
  const say = await wordsHere(house.show);
  const shown = withChanges(versions, (body) => kitchenWords(body, say)).map(
    ({ revision: number, ...v }) => ({ ...v, number }),
  );
  return (
    <VersionsView
      name={house.name}
      versions={shown}
      back={{ href: '/kitchen', words: message('Back to the kitchen') }}
      versioned={{ kind: 'kitchen' }}
    />
  );
}
