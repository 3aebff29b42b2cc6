import type { Plan } from '../../core/plan/types';
import type { Level } from '../shared/PotDrawing';

/** Levels nearer than this share of the pot are one mark. */
const SAME = 0.012;

/** What the pot's wall is marked with: at the pass, at its fullest, and after the stock. */
export function levelsOf(plan: Plan): readonly Level[] {
  const end = plan.found.volumeMl;
  const stockLine = plan.weighOut.find((l) => l.solved === 'volume');
  const afterStock = stockLine ? plan.steps[stockLine.step]?.volumeMl : undefined;
  const marks: Level[] = [{ label: 'at the pass', ml: end, kind: 'now' }];
  const apart = (ml: number): boolean => marks.every((m) => Math.abs(m.ml - ml) > SAME * plan.rimMl);
  if (apart(plan.peakMl)) marks.push({ label: 'at its fullest', ml: plan.peakMl, kind: 'ghost' });
  if (afterStock !== undefined && apart(afterStock))
    marks.push({ label: 'after the stock', ml: afterStock, kind: 'ghost' });
  return marks;
}
