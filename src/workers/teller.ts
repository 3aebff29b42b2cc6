import type { Batch } from '../core/batch/record';
// Nothing of the page but this speaks of ingredients.
import '../core/food/load';
import { type Story, storyOf } from '../core/log/story';
import { serve } from './served';

const TELLER = {
  /** How a batch was to go and how it went; null where its record has no steps to cook. */
  *story(batch: Batch): Generator<{ readonly story: Story | null }> {
    yield { story: storyOf(batch) };
  },
};
export type Teller = typeof TELLER;

serve(TELLER, {});
