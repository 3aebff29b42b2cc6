import type pg from 'pg';
import { KeptAsCooked } from '../../../contract/log';
import type { SavedRecipe } from '../../../contract/recipes';
import { asCooked } from '../../../core/log/asCooked';
import { message } from '../../../core/message/message';
import { shortDay } from '../../../core/service/words/dayWords';
import { wordsFor } from '../../../core/text/inWords';
import { dayOf } from '../../../core/units/clock';
import { readRecipe } from '../../queries/recipes';
import { cannot, unknown } from '../../refusal';
import { acceptSaid } from '../../saying';
import { theBatch } from '../batches';
import { theHouse } from '../kitchen';
import { saveRecipe } from '../recipes';

/** The batch as it was cooked, as the newest version of its recipe. Refuses one whose record has no steps, or whose recipe is gone. */
export async function keepAsCooked(pool: pg.Pool, id: string, input: unknown): Promise<SavedRecipe> {
  const { by } = acceptSaid(KeptAsCooked, input);
  const house = await theHouse(pool);
  const batch = await theBatch(pool, id);
  const stored = await readRecipe(pool, house.id, batch.recipeId);
  if (!stored) throw unknown('recipe', batch.recipeId, []);
  const body = asCooked(stored.body, batch);
  if (!body) throw cannot('batch', id, message('a batch whose record has its steps'));
  const say = wordsFor(house.show);
  return saveRecipe(pool, house.id, batch.recipeId, {
    body,
    note: say(message('as it was cooked on {day}', { day: shortDay(dayOf(new Date(batch.startedAt))) })),
    by,
    base: stored.version,
  });
}
