import { notFound } from 'next/navigation';
import { withChanges } from '../../../../core/formats/changedLines';
import { recipeWords } from '../../../../core/formats/recipeWords';
import { message } from '../../../../core/message/message';
import { theHouse } from '../../../../server/actions/kitchen';
import { pool } from '../../../../server/data/database';
import { readVersions } from '../../../../server/queries/recipes';
import { VersionsView } from '../../../../ui/frame/VersionsView';
import { titled, wordsHere } from '../../../reader';

export const generateMetadata = titled('Versions');
export const dynamic = 'force-dynamic';

export default async function VersionsPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const db = pool();
  const house = await theHouse(db);
  const versions = await readVersions(db, house.id, id);
  const [latest] = versions;
  if (!latest) notFound();
  const say = await wordsHere(house.show);
  const shown = withChanges(versions, (body) => recipeWords(body, say)).map(({ version: number, ...v }) => ({
    ...v,
    number,
  }));
  return (
    <VersionsView
      name={String(latest.body.name)}
      versions={shown}
      back={{ href: `/recipes/${id}`, words: message('Back to the recipe') }}
      versioned={{ kind: 'recipe', id }}
    />
  );
}
