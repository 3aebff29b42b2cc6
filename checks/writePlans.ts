import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import '../src/core/food/load';
import { planFor } from '../src/core/plan/plan';
import { randomOrders } from './randomOrders';

/** checks/plans.json anew, after the model has moved: what 500 random orders come to. `node --import tsx checks/writePlans.ts` */
const rows = randomOrders(500, 17).map(({ recipe, aim, setup }) => {
  const { dose, liquid, dairy } = planFor(recipe, aim, setup).solved.dosing;
  return [dose, liquid, dairy].map((x) => Number(x.toPrecision(7)));
});
writeFileSync('checks/plans.json', JSON.stringify(rows));
execFileSync('npx', ['biome', 'format', '--write', 'checks/plans.json']);
