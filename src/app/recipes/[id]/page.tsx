import { notFound } from 'next/navigation';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { readRecipe } from '../../../server/queries/recipes';
import { WhenLive } from '../../../ui/frame/WhenLive';
import { EditorView } from '../../../ui/recipes/editor/EditorView';
import { titled } from '../../reader';

export const generateMetadata = titled('Recipe');
export const dynamic = 'force-dynamic';

type Asked = {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ plan?: string | string[] }>;
};

export default async function RecipePage({ params, searchParams }: Asked) {
  const { id } = await params;
  const { plan } = await searchParams;
  const db = pool();
  const house = await theHouse(db);
  const stored = await readRecipe(db, house.id, id);
  if (!stored) notFound();
  return (
    <WhenLive>
      <EditorView
        key={`${id} ${stored.version}`}
        house={house}
        body={stored.body}
        version={stored.version}
        archived={stored.archived}
        plan={typeof plan === 'string' ? plan : null}
      />
    </WhenLive>
  );
}
