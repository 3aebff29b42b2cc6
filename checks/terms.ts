import '../src/core/food/load';
import { FAULTS } from '../src/core/adjust/faults';
import { FORK, LOOKS, TASTE } from '../src/core/batch/events';
import { STATIONS } from '../src/core/compare/shopping';
import { BANDS } from '../src/core/flow/bands';
import { THICK_VISCOSITY } from '../src/core/flow/readings/cups';
import { catalogue } from '../src/core/food/catalogue';
import { DIETS } from '../src/core/food/diets';
import { ALLERGENS, GROUPS } from '../src/core/food/ingredient';
import { WHENS } from '../src/core/formats/draft/draftSteps';
import { EFFICIENCY } from '../src/core/heat/burner';
import { COOLING_METHODS } from '../src/core/heat/cool/body';
import { MATERIALS } from '../src/core/heat/vessel';
import { LID_ESCAPE } from '../src/core/heat/waterLoss';
import { KEPT_KINDS, WHY_THROWN } from '../src/core/keep/events';
import { DEVIATIONS } from '../src/core/keep/safe/deviation';
import { UNDATED } from '../src/core/keep/written/dates';
import { MARKS } from '../src/core/keep/written/entries';
import { PLACE_KINDS, USUAL_KEEPING } from '../src/core/kitchen/keeping';
import { AS_WRITTEN, WAYS } from '../src/core/order/ways';
import { FACTORS } from '../src/core/pot/kitchen';
import { CODE, TRADE } from '../src/core/safety/cautions';
import { ANSWERS } from '../src/core/safety/course';
import { EQUAL_PARTS_WORDS } from '../src/core/thicken/equalParts';
import { ROUX_COLOURS } from '../src/core/thicken/granules';
import { PUREE_TOOLS } from '../src/core/thicken/puree';
import { THICKEN_METHODS } from '../src/core/thickeners/row';
import { THICKENER_KINDS, THICKENERS } from '../src/core/thickeners/thickeners';
import { UNITS } from '../src/core/units/quantity';

const names = catalogue().flatMap(({ name }) => [name, name.split(',')[0] ?? name]);

/** Words of the trade that are their own ids in the code, and are said by `term`. */
export const TERMS: ReadonlySet<string> = new Set([
  ...names,
  ...ALLERGENS,
  ...BANDS,
  ...COOLING_METHODS,
  ...KEPT_KINDS,
  ...MARKS,
  ...PLACE_KINDS,
  ...WHY_THROWN,
  ...ANSWERS,
  ...DEVIATIONS,
  ...UNDATED,
  ...DIETS,
  ...FAULTS,
  ...FORK,
  ...GROUPS,
  ...LOOKS,
  ...PUREE_TOOLS,
  ...ROUX_COLOURS,
  ...STATIONS,
  ...TASTE,
  ...WHENS,
  ...THICKEN_METHODS,
  ...Object.keys(EFFICIENCY),
  ...Object.keys(LID_ESCAPE),
  ...Object.keys(MATERIALS),
  ...Object.values(EQUAL_PARTS_WORDS),
  ...Object.values(FACTORS).map((f) => f.words),
  ...Object.values(THICKENERS).flatMap(({ properties }) => Object.values(properties ?? {})),
  ...[AS_WRITTEN, ...WAYS].map((w) => w.words),
  CODE,
  TRADE,
  'boil',
  'does not fit',
  'fits',
  'flour',
  'gold',
  'mm²/s for this cup',
  THICK_VISCOSITY,
  'likely to split',
  'simmer',
  'take care',
  'thickener, counted as flour',
  'translucent',
  'what is counted, or given as a range',
  'how this soup comes out here',
  'will split',
  'with care',
]);

/** Ids of more than one word that nobody reads, and words that become part of a recipe as it is written. */
export const IDS: ReadonlySet<string> = new Set([
  'another band',
  'as written',
  'by rule',
  'to match',
  'date mark',
  'flow timer',
  'count again',
  'leave out',
  'hold back',
  'hot blending',
  'hot fat',
  'hot hold',
  'hot jug',
  'hot stick',
  'hot stock',
  'line spread',
  'never so rich',
  'boils away',
  'no room for liquid',
  'on top',
  'put in',
  'stirred in',
  'three to two',
  'to taste',
  'to write down',
  'to thicken',
  'to thickness',
  'to volume',
  'too rich without',
  'too thick without',
  'too thin with all',
  '{ "@type": "Recipe", "name": "…", "recipeIngredient": [ … ] }',
  'Atkinson Hyperlegible Next',
  'US nine and EU fourteen allergens',
  'water test',
  // What happens to what is kept, by its kind; and what may be done about it.
  'cooled',
  'kept hot',
  'let down',
  'probe checked',
  'probe put right',
  'put by',
  'put right',
  'serve or cool',
  'set to cool',
  'thrown away',
  'throw away',
  'top up',
  'topped up',
  'used up',
  'will miss',
  'cut short',
  'slipped in',
  '{} {} (from memory); the local code decides, {}',
  // Names a kitchen begins with, and changes.
  ...USUAL_KEEPING.pans.map((p) => p.name),
  ...USUAL_KEEPING.places.map((p) => p.name),
  ...THICKENER_KINDS,
  'floury potato',
  'waxy potato',
  ...UNITS,
  'potato flakes',
  'beaten with cream',
  'coats, never bubbles',
  'New soup',
  'Roux, blended',
  'no smell of spirit; the fond is loose',
  'so that the flour is wetted',
  'under 85 °C before the yolks',
]);
