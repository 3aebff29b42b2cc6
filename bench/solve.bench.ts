import { readFileSync } from 'node:fs';
import { demoFile, demoRecipe } from '../demo/demo';
import type { Burner } from '../src/core/heat/burner';
import type { Vessel } from '../src/core/heat/vessel';
import { planFor } from '../src/core/plan/plan';
import { simulate } from '../src/core/plan/solve/simulate';
import type { Plan } from '../src/core/plan/types';
import { STANDARD_KITCHEN } from '../src/core/pot/kitchen';
import { Recipe } from '../src/core/recipe/recipe';
import { schoolOf } from '../src/core/recipe/schools';
import { bar } from './kit/bar';
import { median, timed } from './kit/stats';

/** How much a plan costs against cooking its recipe once in thought: fresh, and following a finger. */
const house = JSON.parse(readFileSync('demo/kitchen.json', 'utf8')) as {
  vessels: Vessel[];
  burners: Burner[];
};
const recipe = demoRecipe('smoked-parsnip-veloute');
const [vessel, burner] = [house.vessels[3], house.burners[3]];
if (!vessel || !burner) throw new Error('the demo has lost its pots');
const setup = { vessel, burner, kitchen: STANDARD_KITCHEN };

let near: Plan = planFor(recipe, { litres: 40, target: 150 }, setup);
const { dosing } = near.solved;
const once = median(timed(200, () => simulate(recipe, dosing, setup)));
const fresh = median(timed(100, (i) => planFor(recipe, { litres: 40, target: 100 + i }, setup)));
const following = median(
  timed(200, (i) => {
    near = planFor(recipe, { litres: 40, target: 100 + (i % 100) }, setup, near);
  }),
);
const unchanged = median(timed(200, () => planFor(recipe, near.aim, setup, near)));
bar(
  'a plan, fresh ÷ one cooking',
  fresh / once,
  { atMost: 5.5 },
  `${planFor(recipe, { litres: 40, target: 150 }, setup).solved.runs} cookings`,
);
bar(
  'a plan that follows a finger ÷ one cooking',
  following / once,
  { atMost: 3 },
  `${near.solved.runs} cookings`,
);
bar('a plan nothing was changed of ÷ one cooking', unchanged / once, { atMost: 0.1 });

/** A bisque with its shells on a tray and its base in a pot of its own, and the same made in one pot. */
const bisque = demoRecipe('crab-shell-bisque');
const inOnePot = Recipe.parse({
  ...demoFile('crab-shell-bisque'),
  pans: undefined,
  steps: schoolOf('rice')?.steps,
});
const planned = (of: Recipe) =>
  median(
    // Read anew each time, so that nothing is known of it.
    timed(60, (i) => planFor({ ...of }, { litres: 12, target: 120 + i }, setup)),
  );
bar('a plan of three pans ÷ of one', planned(bisque) / planned(inOnePot), { atMost: 2 });
