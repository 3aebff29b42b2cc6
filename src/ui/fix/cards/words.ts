import { ingredient } from '../../../core/food/catalogue';
import { uncapital } from '../../../core/units/format';

/** An ingredient in the middle of a sentence, without its grade. */
export const itemWords = (id: string): string => uncapital(ingredient(id).name.split(',')[0] ?? id);
