import { clsx } from 'clsx';
import { BANDS, type BandLimits, bandOf, LADDER_RANGE, rangeOf } from '../../../core/flow/bands';
import type { Message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { mPas } from '../../../core/units/shown/format';
import { useSay } from '../hooks/useSay';

const [LOW, HIGH] = LADDER_RANGE;
const SPAN = Math.log(HIGH / LOW);

/** Share of the ladder's height below `viscosity`. */
export const height = (viscosity: number): number =>
  Math.min(1, Math.max(0, Math.log(viscosity / LOW) / SPAN));
export const fromTop = (viscosity: number): string => `${(1 - height(viscosity)) * 100}%`;
const fromBottom = (viscosity: number): string => `${height(viscosity) * 100}%`;

/** One thing found on the scale: what it is and where, with its range. */
export type ScaleMark = {
  readonly id: string;
  readonly words: Message | string;
  readonly at: number;
  readonly range?: readonly [number, number] | undefined;
  readonly kind: 'target' | 'now' | 'end' | 'measured';
};

type Props = {
  readonly limits: BandLimits;
  readonly marks: readonly ScaleMark[];
  readonly label: string;
};

/** The scale of consistency to read, not to drag: bands in words, the target, where it lands, what was measured. */
export function Scale({ limits, marks, label }: Props) {
  const say = useSay();
  const target = marks.find((m) => m.kind === 'target');
  const chosen = target && bandOf(target.at, limits);
  const said = marks
    .map((m) =>
      say('{what} {viscosity} mPa·s, {band}', {
        what: m.words,
        viscosity: mPas(m.at),
        band: term(bandOf(m.at, limits)),
      }),
    )
    .join('; ');
  return (
    <div role="img" aria-label={`${label}: ${said}`} className="relative h-full min-h-36 w-full">
      {BANDS.map((band) => {
        const [low, high] = rangeOf(band, limits);
        return (
          <div
            key={band}
            style={{ top: fromTop(high), bottom: fromBottom(low) }}
            className={clsx(
              'absolute right-0 left-0 flex items-center pl-2',
              band === chosen ? 'border-2 border-ink bg-surface font-bold' : 'border-ink border-t',
            )}
          >
            {say(term(band))}
          </div>
        );
      })}
      {marks.map((m) => (
        <span key={m.id} aria-hidden>
          {m.range && (
            <span
              style={{ top: fromTop(m.range[1]), bottom: fromBottom(m.range[0]) }}
              className={clsx(
                'absolute w-2.5 border-2 border-ink',
                m.kind === 'measured' ? 'right-13 bg-water' : 'right-5 border-l-0',
              )}
            />
          )}
          <span
            style={{ top: fromTop(m.at) }}
            className={clsx(
              'absolute -translate-y-1/2 border-2 border-ink',
              m.kind === 'target' && 'right-0 h-3 w-9 bg-butter',
              m.kind === 'end' && 'right-3.5 size-5 rotate-45 bg-surface',
              m.kind === 'now' && 'right-11 h-0.5 w-6 border-t-2 border-b-0',
              m.kind === 'measured' && 'right-11.5 size-5 rounded-full bg-ink',
            )}
          />
        </span>
      ))}
    </div>
  );
}
