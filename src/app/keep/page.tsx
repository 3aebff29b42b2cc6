import { readKeepOpened } from '../../server/actions/reading';
import { pool } from '../../server/data/database';
import { readHouse } from '../../server/queries/kitchen';
import { KeepView } from '../../ui/keep/KeepView';
import { EmptyHouse } from '../../ui/shared/EmptyHouse';
import { titled } from '../reader';

export const generateMetadata = titled('Keep');
export const dynamic = 'force-dynamic';

type Query = Promise<{ readonly lot?: string; readonly face?: string }>;

export default async function KeepPage({ searchParams }: { searchParams: Query }) {
  const { lot, face } = await searchParams;
  const house = await readHouse(pool());
  if (!house) return <EmptyHouse />;
  const first = await readKeepOpened(true);
  return (
    <KeepView
      key={`${lot ?? ''} ${face ?? ''}`}
      house={house}
      first={first}
      lot={typeof lot === 'string' ? lot : null}
      face={(['hot', 'cooling', 'shelf', 'record'] as const).find((f) => f === face) ?? null}
    />
  );
}
