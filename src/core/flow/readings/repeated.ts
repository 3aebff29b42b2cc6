import { bisectRatio } from '../../maths/bisect';
import { median } from '../../maths/median';
import { type BandLimits, DEFAULT_LIMITS } from '../bands';
import { equivalentsFor } from '../viscosity';
import { type FlowTest, type Placed, place, TEST_ERROR } from './reading';

/** Fat by volume of a soup nobody knows more of: a cream soup’s. Our assumption. */
export const USUAL_FAT = 0.03;

/** mPa·s a soup in a bowl is looked for between, and how often the span is halved: to a millionth. */
const LIKELY = [0.1, 1e6] as const;
const HALVINGS = 24;

/**
 * Standard deviation of ln(viscosity) of a test done `times` over. Repeats average out up to four: after that it
 * is the test that is wrong.
 */
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
  // How shear-thinning it is goes with how thick it is, and the other way round: where the two agree.
  const as = (bowl: number): Placed =>
    place(test, reading, celsius, equivalentsFor(Math.max(0.5, bowl), fat), limits);
  const found = as(bisectRatio((bowl) => as(bowl).bowl > bowl, ...LIKELY, HALVINGS));
  const error = flowError(test, readings.length);
  return { ...found, range: [found.bowl * Math.exp(-error), found.bowl * Math.exp(error)] };
}
