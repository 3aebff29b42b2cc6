/** Everything of the engine a page could ask for; bundled to weigh it. */

import '../src/core/food/load';

export * from '../src/core/compare/compare';
export * from '../src/core/compare/multiplied';
export * from '../src/core/compare/remedies';
export * from '../src/core/compare/scaling';
export * from '../src/core/compare/shopping';
export * from '../src/core/dairy/risk';
export * from '../src/core/dairy/tempering';
export * from '../src/core/doubt/monteCarlo';
export * from '../src/core/doubt/raise';
export * from '../src/core/doubt/uncertainty';
export * from '../src/core/flow/readings/reading';
export * from '../src/core/flow/readings/syringe';
export * from '../src/core/plan/plan';
export * from '../src/core/plan/predict';
export { Recipe } from '../src/core/recipe/recipe';
export * from '../src/core/safety/cautions';
export * from '../src/core/salt/salt';
export * from '../src/core/thicken/rouxBalance';
export * from '../src/core/words/steps';
