/** Everything of the engine a page could ask for; bundled to weigh it. */

import '../src/core/food/load';

export * from '../src/core/dairy/risk';
export * from '../src/core/dairy/tempering';
export * from '../src/core/flow/tests/reading';
export * from '../src/core/flow/tests/syringe';
export { readRecipeFile } from '../src/core/formats/recipeFile';
export * from '../src/core/learn/monteCarlo';
export * from '../src/core/plan/multiplied';
export * from '../src/core/plan/plan';
export * from '../src/core/plan/predict';
export * from '../src/core/plan/reduction';
export * from '../src/core/plan/stockMaking';
export * from '../src/core/plan/uncertainty';
export * from '../src/core/plan/wording';
export * from '../src/core/safety/cautions';
export * from '../src/core/season/salt';
export * from '../src/core/thicken/rouxBalance';
export * from '../src/core/thicken/substitute';
