import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { House } from '../../../core/house/house';
import type { RecipeText } from '../../../core/recipe/recipe';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { readRecipe } from '../../../server/queries/recipes';
import { FRESH } from '../../../ui/recipes/editor/form/spec';
import { NewRecipe } from '../../../ui/recipes/editor/NewRecipe';

export const metadata: Metadata = { title: 'A new recipe' };
export const dynamic = 'force-dynamic';

/** What a soup begins as: something every kitchen could cook, to be changed. */
const blank = ({ vessels: [vessel], burners: [burner] }: House): RecipeText | null =>
  vessel && burner
    ? {
        format: 'panache.recipe/1',
        id: 'new',
        name: '',
        school: 'Roux, blended',
        yieldLitres: 4,
        band: 'Coating',
        home: { vessel, burner },
        steps: [
          FRESH.sweat,
          FRESH.roux,
          { ...FRESH.add, gradually: true },
          FRESH['bring-to'],
          { kind: 'simmer', minutes: 15, lid: 'off' },
          FRESH.season,
        ],
      }
    : null;

type Query = Promise<Record<string, string | string[] | undefined>>;

export default async function NewRecipePage({ searchParams }: { searchParams: Query }) {
  const { from, handed } = await searchParams;
  const db = pool();
  const house = await theHouse(db);
  if (typeof from === 'string') {
    const stored = await readRecipe(db, house.id, from);
    if (!stored) notFound();
    const body = stored.body as unknown as RecipeText;
    return <NewRecipe house={house} body={{ ...body, id: 'new', name: `${body.name}, another way` }} />;
  }
  const body = blank(house);
  if (!body) notFound();
  return <NewRecipe house={house} body={body} handed={handed === '1'} />;
}
