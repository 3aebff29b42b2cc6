import { recipeList } from '../../server/actions/listed';
import { RecipesView } from '../../ui/recipes/RecipesView';
import { titled } from '../reader';

export const generateMetadata = titled('Recipes');
export const dynamic = 'force-dynamic';

/** How many a page comes with: more than a screen shows. The others follow. */
const FIRST = 24;

export default async function RecipesPage() {
  return <RecipesView first={await recipeList(FIRST)} />;
}
