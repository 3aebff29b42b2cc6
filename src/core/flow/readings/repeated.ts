import { median } from '../../maths/median';
import { type BandLimits, DEFAULT_LIMITS } from '../bands';
import { equivalentsFor } from '../viscosity';
import { type FlowTest, type Placed, place, TEST_ERROR } from './reading';

/** Fat by volume of a soup nobody knows more of: a cream soup’s. Our assumption. */
export const USUAL_FAT = 0.03;

/** g/L of flour to begin with where nothing is known of a soup: it is found anew from what the test says. */
const BEGIN_AT = 40;

/** Rounds to find how shear-thinning a soup of that thickness is: it hardly moves after the third. */
const ROUNDS = 5;

/** Standard deviation of ln(viscosity) of a test done `times` over. Repeats average out up to four: after that it is the test that is wrong. */
export const flowError = ({ kind }: FlowTest, times: number): number =>
  TEST_ERROR[kind] / Math.sqrt(Math.min(4, Math.max(1, times)));

/**
 * Where a flow test made at `celsius` puts a soup with fat fraction `fat`, with the shear thinning of a
 * soup that thick; of several readings the median counts. Throws {@link OutOfRange} where the test cannot tell.
 */
export function placeAlone(
  test: FlowTest,
  readings: readonly number[],
  celsius: number,
  fat: number = USUAL_FAT,
  limits: BandLimits = DEFAULT_LIMITS,
): Placed {
  const reading = median(readings);
  let found = place(test, reading, celsius, BEGIN_AT, limits);
  for (let i = 0; i < ROUNDS; i++)
    found = place(test, reading, celsius, equivalentsFor(Math.max(0.5, found.bowl), fat), limits);
  const error = flowError(test, readings.length);
  return { ...found, range: [found.bowl * Math.exp(-error), found.bowl * Math.exp(error)] };
}
