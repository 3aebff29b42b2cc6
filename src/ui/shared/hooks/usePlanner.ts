'use client';

import { useEffect } from 'react';
import { catalogue } from '../../../core/food/catalogue';
import type { Planner, PlannerKnows } from '../../../workers/planner';
import { type Asker, useWorker } from './useWorker';

const begin = () => new Worker(new URL('../../../workers/planner.ts', import.meta.url), { type: 'module' });

/** One planner for whoever uses it; it knows the foods this page knows. */
export function usePlanner(): Asker<Planner, PlannerKnows> {
  const planner = useWorker<Planner, PlannerKnows>(begin);
  const { know } = planner;
  useEffect(() => know('catalogue', catalogue()), [know]);
  return planner;
}
