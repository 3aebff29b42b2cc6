'use client';

import { clsx } from 'clsx';
import type { DatedBatch } from '../../contract/log';
import { BANDS, type BandLimits, rangeOf } from '../../core/flow/bands';
import { term } from '../../core/message/term';
import { shortDay } from '../../core/service/words/dayWords';
import { fromTop, height } from '../shared/draw/Scale';
import { useSay } from '../shared/hooks/useSay';

type Props = {
  /** Newest first, as the list has them; drawn oldest first. */
  readonly batches: readonly DatedBatch[];
  readonly limits: BandLimits;
  readonly picked: string | null;
  readonly onPick: (id: string) => void;
};

const below = (viscosity: number): string => `${height(viscosity) * 100}%`;

/** The newest batches on the ladder: what was asked for, where eight in ten were foreseen, where it landed. */
export function Strip({ batches, limits, picked, onPick }: Props) {
  const say = useSay();
  const inTime = batches.toReversed();
  const measured = inTime.filter((b) => b.measured !== null);
  const missed = measured.filter((b) => b.landed !== b.band);
  const [first, last] = [inTime[0], inTime.at(-1)];
  return (
    <section className="border-ink border-b-2 px-5 pt-3 pb-2">
      <div className="relative h-44 max-[720px]:h-36 [@media(max-height:860px)]:h-32">
        <div
          role="img"
          aria-label={say(
            '{n} batches on the ladder of consistency, the newest at the right: {measured} measured, {missed} outside their band.',
            { n: inTime.length, measured: measured.length, missed: missed.length },
          )}
          className="absolute inset-0"
        >
          {BANDS.map((band) => {
            const [low, high] = rangeOf(band, limits);
            return (
              <span
                key={band}
                style={{ top: fromTop(high), bottom: below(low) }}
                className="absolute right-0 left-0 flex items-center border-rule border-t pl-1 text-[15px]"
              >
                {say(term(band))}
              </span>
            );
          })}
          {limits.map((limit) => (
            <span
              key={limit}
              style={{ top: fromTop(limit) }}
              className="figures absolute left-17 w-9 -translate-y-1/2 bg-ground text-right text-[13px] text-quiet"
            >
              {limit}
            </span>
          ))}
        </div>
        <div className="absolute top-0 right-1 bottom-0 left-28 flex">
          {inTime.map((b) => (
            <Column key={b.id} batch={b} here={b.id === picked} onPick={() => onPick(b.id)} />
          ))}
        </div>
      </div>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 pl-28 text-[15px]">
        {first && <b>{say(shortDay(first.day))}</b>}
        <Key mark="h-2 w-5 border border-ink bg-butter" words={say('asked for')} />
        <Key mark="h-4 w-2 bg-water" words={say('8 in 10 foreseen')} />
        <Key mark="size-3 rounded-full bg-ink" words={say('measured')} />
        <Key mark="size-3 rotate-45 border-2 border-tomato bg-surface" words={say('outside its band')} />
        <span className="flex-1" />
        {last && <b>{say(shortDay(last.day))}</b>}
      </div>
    </section>
  );
}

const Key = ({ mark, words }: { readonly mark: string; readonly words: string }) => (
  <span className="inline-flex items-center gap-2">
    <span aria-hidden className={mark} />
    {words}
  </span>
);

type ColumnProps = { readonly batch: DatedBatch; readonly here: boolean; readonly onPick: () => void };

/** One batch of the strip. The list has the same for a keyboard. */
function Column({ batch: b, here, onPick }: ColumnProps) {
  const outside = b.landed !== null && b.landed !== b.band;
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-hidden
      onClick={onPick}
      className={clsx('relative h-full min-w-0 flex-1', here && 'outline-2 outline-ink')}
    >
      {b.foreseen && (
        <span
          style={{ top: fromTop(b.foreseen.high), bottom: below(b.foreseen.low) }}
          className="absolute left-1/2 w-1.5 -translate-x-1/2 bg-water"
        />
      )}
      <span
        style={{ top: fromTop(b.target) }}
        className="absolute left-1/2 h-1.5 w-3.5 max-w-full -translate-x-1/2 -translate-y-1/2 border border-ink bg-butter"
      />
      {b.measured !== null && (
        <span
          style={{ top: fromTop(b.measured) }}
          className={clsx(
            'absolute left-1/2 -translate-x-1/2 -translate-y-1/2',
            outside ? 'size-3 rotate-45 border-2 border-tomato bg-surface' : 'size-2.5 rounded-full bg-ink',
          )}
        />
      )}
      {b.corrections.length > 0 && (
        <span
          style={{ top: fromTop(b.firstMeasured ?? b.target) }}
          className="absolute left-1/2 size-2.5 -translate-x-1/2 -translate-y-1/2 rotate-45 border-2 border-tomato"
        />
      )}
    </button>
  );
}
