import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { RecipeText } from '../../../core/plan/recipe';
import { pool } from '../../../server/database';
import { theHouse } from '../../../server/kitchen';
import { readRecipe } from '../../../server/queries/recipes';
import { EditorView } from '../../../ui/recipes/editor/EditorView';
import { WhenLive } from '../../../ui/shared/WhenLive';

export const metadata: Metadata = { title: 'Recipe' };
export const dynamic = 'force-dynamic';

export default async function RecipePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const db = pool();
  const house = await theHouse(db);
  const stored = await readRecipe(db, house.id, id);
  if (!stored) notFound();
  return (
    <WhenLive>
      <EditorView
        key={`${id} ${stored.version}`}
        house={house}
        body={stored.body as unknown as RecipeText}
        version={stored.version}
        archived={stored.archived}
      />
    </WhenLive>
  );
}
