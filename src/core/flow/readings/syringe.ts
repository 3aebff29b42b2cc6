import { within } from '../../units/range';

/**
 * Level of a 10 mL syringe's flow test: mL left after 10 s. IDDSI flow test, levels 0 to 3, 4 when
 * nothing flows; from memory. A measurement only: what is fit for whom a clinician decides.
 */
export function syringeLevel(mlLeft: number, stillFlows = true): 0 | 1 | 2 | 3 | 4 {
  within('mL left', mlLeft, 0, 10, 'mL');
  if (mlLeft >= 9.95 || !stillFlows) return 4;
  if (mlLeft < 1) return 0;
  if (mlLeft < 4) return 1;
  if (mlLeft <= 8) return 2;
  return 3;
}
