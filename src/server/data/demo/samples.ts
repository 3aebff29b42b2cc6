import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { SAMPLE } from '../../../core/recipe/listed';
import type { RecipeText } from '../../../core/recipe/recipe';

const FOLDER = join(process.cwd(), 'demo/recipes');

/** Soups of the demo a kitchen may begin with; each says that it is one, in its id and its name. */
const SAMPLES = [
  'smoked-parsnip-veloute',
  'chestnut-mushroom-cream',
  'roast-carrot-cream',
  'cockle-and-leek-chowder',
];

/** Four soups to try, marked as samples. */
export const readSamples = (): Promise<readonly RecipeText[]> =>
  Promise.all(
    SAMPLES.map(async (id) => {
      const recipe = JSON.parse(await readFile(join(FOLDER, `${id}.json`), 'utf8')) as RecipeText;
      return { ...recipe, id: `${SAMPLE}${id}`, name: `${recipe.name} (sample)`.slice(0, 80) };
    }),
  );
