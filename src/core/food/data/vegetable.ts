import { food } from '../define';
import type { Ingredient } from '../ingredient';

type Percent = Parameters<typeof food>[0]['percent'];
type Extra = Partial<
  Pick<Ingredient, 'softening' | 'puree' | 'allergens' | 'uptake' | 'sizeMm' | 'buffering'>
>;

/** g/mL is of the vegetable cut up in a measure; `edible` the share left after trimming. */
export const vegetable = (
  id: string,
  name: string,
  percent: Percent,
  sodium: number,
  pH: number,
  density: number,
  edible: number,
  extra: Extra,
) => food({ id, name, group: 'vegetable', percent, sodium, pH, density, edibleYield: edible, ...extra });
