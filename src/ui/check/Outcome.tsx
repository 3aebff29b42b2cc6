import { X } from 'lucide-react';
import { type BandLimits, bandOf } from '../../core/flow/bands';
import type { Placed } from '../../core/flow/readings/reading';
import { BOWL_CELSIUS, temperatureFactor } from '../../core/flow/viscosity';
import { median } from '../../core/maths/median';
import { term } from '../../core/message/term';
import { mPas, spaced } from '../../core/units/shown/format';
import { degrees } from '../../core/units/shown/show';
import { type FlowTestMethod, readWords, unitOf } from '../shared/flowTests';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { BUTTON } from '../shared/styles';

type Props = {
  readonly found: Placed | null;
  /** Of the syringe test. */
  readonly level: number | null;
  /** The pot tested; null when it is none on the stove. */
  readonly of: { readonly name: string; readonly celsius: number } | null;
  readonly kind: FlowTestMethod;
  /** What the test reads on target, in its unit; null when it cannot tell. */
  readonly should: number | null;
  /** Of the soup in the test. */
  readonly celsius: number;
  readonly limits: BandLimits;
};

/** Where it stands in the bowl, and why it looks thinner in the pot. */
export function Outcome({ found, level, of, kind, should, celsius, limits }: Props) {
  const say = useSay();
  const show = useShow();
  return (
    <div aria-live="polite">
      {found ? (
        <>
          <p className="font-bold leading-tight">
            {say('In the bowl, {bowlcelsius}', { bowlcelsius: degrees(BOWL_CELSIUS, show) })}
          </p>
          <p className="flex items-baseline gap-3">
            <b className="text-[34px] leading-tight">{say(term(bandOf(found.bowl, limits)))}</b>
            <span className="figures font-bold text-[28px]">{mPas(found.bowl)}</span>
            <span className="text-[15px] text-quiet">{say('mPa·s')}</span>
          </p>
          <p className="text-[16px] leading-tight">
            {say('{range} to {range2} by this test', {
              range: mPas(found.range[0]),
              range2: mPas(found.range[1]),
            })}
          </p>
          <p className="mt-2 text-[16px] leading-tight">
            {say.rich(
              'In the pot now, {degrees}: <b>{bowl}</b>. It looks thinner hot than it will be eaten.',
              {
                b: (text) => <b className="figures text-[20px]">{text}</b>,
                degrees: degrees(of?.celsius ?? celsius, show),
                bowl: mPas(
                  (found.bowl * temperatureFactor(of?.celsius ?? celsius)) / temperatureFactor(BOWL_CELSIUS),
                ),
              },
            )}
          </p>
        </>
      ) : level !== null ? (
        <>
          <p className="font-bold">{say('Syringe flow test')}</p>
          <p className="font-bold text-[34px] leading-tight">{say('Level {level}', { level })}</p>
          <p className="text-[16px] leading-tight">
            {say('A measurement only: what is fit for whom a clinician decides.')}
          </p>
        </>
      ) : (
        <>
          <p className="font-bold text-[24px] leading-tight">{of ? of.name : say('Any soup')}</p>
          <p className="text-[17px]">
            {should !== null
              ? say.rich('On target it reads <b>{should}</b>.', {
                  b: (text) => <b>{text}</b>,
                  should: readWords(kind, should, say.reader),
                })
              : of && kind.test
                ? say('This test cannot tell the target: take one that says it can.')
                : say('Do the test, and see where it stands.')}
          </p>
        </>
      )}
    </div>
  );
}

/** What was read so far; any of it can be struck. */
export function Readings({
  kind,
  readings,
  onStrike,
}: {
  kind: FlowTestMethod;
  readings: readonly number[];
  onStrike: (n: number) => void;
}) {
  const say = useSay();
  if (readings.length === 0) return null;
  return (
    <ul aria-label={say('Readings')} className="mt-2 flex flex-wrap gap-2">
      {readings.map((r, n) => (
        <li key={`${n.toString()} ${r}`}>
          <button
            type="button"
            onClick={() => onStrike(n)}
            aria-label={say('Strike {reading}', { reading: readWords(kind, r, say.reader) })}
            className={`${BUTTON} min-h-12 px-2`}
          >
            <span className="figures">{spaced(r, 1)}</span> {say(unitOf(kind, say.reader))}{' '}
            <X size={16} aria-hidden />
          </button>
        </li>
      ))}
      {readings.length > 1 && (
        <li className="self-center">
          {say.rich('median <b>{median}</b>', {
            b: (text) => <b className="figures">{text}</b>,
            median: spaced(median(readings), 1),
          })}
        </li>
      )}
    </ul>
  );
}
