import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { changedLines } from '../../../../core/formats/changedLines';
import { recipeWords } from '../../../../core/formats/recipeWords';
import type { RecipeText } from '../../../../core/recipe/recipe';
import { theHouse } from '../../../../server/actions/kitchen';
import { pool } from '../../../../server/data/database';
import { readVersions } from '../../../../server/queries/recipes';
import { VersionsView } from '../../../../ui/frame/VersionsView';

export const metadata: Metadata = { title: 'Versions' };
export const dynamic = 'force-dynamic';

export default async function VersionsPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const db = pool();
  const house = await theHouse(db);
  const versions = await readVersions(db, house.id, id);
  const [latest] = versions;
  if (!latest) notFound();
  const words = versions.map((v) => recipeWords(v.body as unknown as RecipeText));
  const shown = versions.map(({ body: _body, version: number, ...v }, n) => ({
    ...v,
    number,
    changes: changedLines(words[n + 1] ?? null, words[n] ?? []),
  }));
  return (
    <VersionsView
      name={String(latest.body.name)}
      called="Version"
      versions={shown}
      back={{ href: `/recipes/${id}`, words: 'Back to the recipe' }}
      restore={{ path: `/api/recipes/${id}/restore`, field: 'version' }}
    />
  );
}
