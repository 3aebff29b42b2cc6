/** Everything of the engine a page could ask for; bundled to weigh it. */

import '../src/core/food/load';

export * from '../src/core/dairy/risk';
export * from '../src/core/dairy/tempering';
export * from '../src/core/flow/readings/reading';
export * from '../src/core/flow/readings/syringe';
export * from '../src/core/learn/monteCarlo';
export * from '../src/core/plan/choose/compare';
export * from '../src/core/plan/choose/raise';
export * from '../src/core/plan/choose/remedies';
export * from '../src/core/plan/choose/scaling';
export * from '../src/core/plan/choose/shopping';
export * from '../src/core/plan/multiplied';
export * from '../src/core/plan/plan';
export * from '../src/core/plan/predict';
export { Recipe } from '../src/core/plan/recipe';
export * from '../src/core/plan/reduction';
export * from '../src/core/plan/stockMaking';
export * from '../src/core/plan/uncertainty';
export * from '../src/core/plan/wording';
export * from '../src/core/safety/cautions';
export * from '../src/core/season/salt';
export * from '../src/core/thicken/rouxBalance';
export * from '../src/core/thicken/substitute';
