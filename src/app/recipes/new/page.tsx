import { notFound } from 'next/navigation';
import { holding, rimVolume } from '../../../core/heat/vessel';
import type { House } from '../../../core/kitchen/house';
import { FORMS } from '../../../core/pot/kinds/forms';
import type { RecipeText } from '../../../core/recipe/recipe';
import { SCHOOL_LITRES, type School, schoolOf } from '../../../core/recipe/schools';
import { theHouse } from '../../../server/actions/kitchen';
import { pool } from '../../../server/data/database';
import { readRecipe } from '../../../server/queries/recipes';
import { NewRecipe } from '../../../ui/recipes/editor/NewRecipe';
import { titled } from '../../reader';

export const generateMetadata = titled('A new recipe');
export const dynamic = 'force-dynamic';

/** What a soup begins as: something every kitchen could cook, to be changed. */
const blank = ({ vessels, burners: [burner] }: House, school?: School): RecipeText | null => {
  // The smallest that holds it with the vegetables in; in a house of small pots the largest there is.
  const vessel =
    holding(vessels, SCHOOL_LITRES * 1250)[0] ?? vessels.toSorted((a, b) => rimVolume(b) - rimVolume(a))[0];
  return vessel && burner
    ? {
        format: school?.pans ? 'panache.recipe/2' : 'panache.recipe/1',
        id: 'new',
        name: '',
        school: school?.school ?? 'Roux, blended',
        yieldLitres: SCHOOL_LITRES,
        band: 'Coating',
        home: { vessel, burner },
        ...(school?.pans && { pans: school.pans }),
        steps: school?.steps ?? [
          FORMS.sweat.fresh,
          FORMS.roux.fresh,
          { ...FORMS.add.fresh, gradually: true },
          FORMS['bring-to'].fresh,
          { kind: 'simmer', minutes: 15, lid: 'off' },
          FORMS.season.fresh,
        ],
      }
    : null;
};

type Query = Promise<Record<string, string | string[] | undefined>>;

export default async function NewRecipePage({ searchParams }: { searchParams: Query }) {
  const { from, handed, school } = await searchParams;
  const db = pool();
  const house = await theHouse(db);
  if (typeof from === 'string') {
    const stored = await readRecipe(db, house.id, from);
    if (!stored) notFound();
    const body = stored.body;
    return <NewRecipe house={house} body={{ ...body, id: 'new', name: `${body.name}, another way` }} />;
  }
  const body = blank(house, schoolOf(typeof school === 'string' ? school : undefined));
  if (!body) notFound();
  return <NewRecipe house={house} body={body} handed={handed === '1'} />;
}
