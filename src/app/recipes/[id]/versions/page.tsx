import { diffArrays } from 'diff';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { recipeWords } from '../../../../core/formats/recipeWords';
import type { RecipeText } from '../../../../core/recipe/recipe';
import { theHouse } from '../../../../server/actions/kitchen';
import { pool } from '../../../../server/data/database';
import { readVersions } from '../../../../server/queries/recipes';
import { type ChangedLine, VersionsView } from '../../../../ui/recipes/VersionsView';

export const metadata: Metadata = { title: 'Versions' };
export const dynamic = 'force-dynamic';

/** Unchanged lines kept around a change, so that it can be placed. */
const AROUND = 2;

/** What changed from one version to the next, a line a thing, with a little of what is around it. */
function changes(before: RecipeText | null, after: RecipeText): readonly ChangedLine[] {
  const to = recipeWords(after);
  if (!before) return to.map((text) => ({ kind: 'same', text }));
  const lines = diffArrays([...recipeWords(before)], [...to]).flatMap((part) =>
    part.value.map(
      (text): ChangedLine => ({ kind: part.added ? 'in' : part.removed ? 'out' : 'same', text }),
    ),
  );
  return lines.filter(
    (l, n) =>
      l.kind !== 'same' ||
      lines.slice(Math.max(0, n - AROUND), n + AROUND + 1).some((x) => x.kind !== 'same'),
  );
}

export default async function VersionsPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const db = pool();
  const house = await theHouse(db);
  const versions = await readVersions(db, house.id, id);
  const [latest] = versions;
  if (!latest) notFound();
  const shown = versions.map((v, n) => ({
    version: v.version,
    madeAt: v.madeAt,
    note: v.note,
    changes: changes(
      (versions[n + 1]?.body as unknown as RecipeText | undefined) ?? null,
      v.body as unknown as RecipeText,
    ),
  }));
  return <VersionsView id={id} name={String(latest.body.name)} versions={shown} />;
}
