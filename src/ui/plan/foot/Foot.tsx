'use client';

import { clsx } from 'clsx';
import { TriangleAlert } from 'lucide-react';
import { learnedWords } from '../../../core/compare/learned';
import { multipliedWords } from '../../../core/compare/multiplied';
import { remedyWords } from '../../../core/compare/remedyWords';
import { warningLine } from '../../../core/plan/warningWords';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { BUTTON } from '../../shared/styles';
import type { OrderHere } from '../useOrdered';
import { Chance } from './Chance';
import { Warnings } from './Warnings';

type Props = { readonly of: OrderHere };

/** What stops it, or what multiplying would have done; how sure it is; and its start. */
export function Foot({ of }: Props) {
  const say = useSay();
  const { plan, thoughts, thinking, remedies, work, band, chance, stop, barred, refused, starting, change } =
    of;
  return (
    <footer className="max-[1100px]:contents min-[1100px]:flex min-[1100px]:shrink-0 min-[1100px]:items-stretch min-[1100px]:border-ink min-[1100px]:border-t-2 min-[1100px]:bg-surface">
      <div
        className={clsx(
          'flex min-w-0 shrink-0 items-center border-ink bg-surface px-5 py-3 leading-tight min-[1100px]:flex-[1_1_300px] min-[1100px]:py-2',
          // What stops it is read before Start is tapped.
          refused || stop ? 'max-[1100px]:order-1' : 'max-[1100px]:order-2',
        )}
        aria-live="polite"
      >
        <Said of={of} />
      </div>
      <div className="flex shrink-0 items-center gap-3 bg-surface px-3 py-2 max-[1100px]:order-1 max-[1100px]:border-ink max-[1100px]:border-b-2">
        <Warnings
          warnings={plan.warnings}
          remedies={remedies}
          show={say.reader}
          onOpen={() => work('remedies')}
          onApply={change}
        />
        {chance !== null && thoughts && (
          <Chance band={band} chance={chance} thoughts={thoughts} stale={thinking} />
        )}
      </div>
      <button
        type="button"
        onClick={() => void starting.start()}
        aria-disabled={starting.starting}
        className={clsx(
          'min-h-20 shrink-0 border-ink px-8 font-bold text-[24px] max-[1100px]:sticky max-[1100px]:bottom-0 max-[1100px]:z-30 max-[1100px]:order-4 max-[1100px]:border-t-2 min-[1100px]:border-l-2',
          barred ? 'bg-ground text-quiet' : 'bg-butter text-on-butter',
        )}
      >
        {starting.starting ? say('Starting …') : say('Start this batch')}
      </button>
    </footer>
  );
}

/** What stops it with what would mend it; else how it compares with the plain multiple of the recipe. */
function Said({ of: { plan, thoughts, thinking, stop, mend, refused, starting, change } }: Props) {
  const say = useSay();
  const compared = thoughts && !thinking ? multipliedWords(thoughts.multiplied, plan, say.reader) : null;
  return refused || stop ? (
    <p
      role={refused ? 'alert' : undefined}
      className="flex flex-wrap items-center gap-x-3 gap-y-1 font-bold text-tomato"
    >
      <TriangleAlert className="shrink-0" aria-hidden />
      <span className="min-w-0 flex-1 basis-52">{refused ?? (stop && say(warningLine(stop)))}</span>
      {refused && starting.inUse && (
        <button type="button" className={`shrink-0 ${BUTTON}`} onClick={() => void starting.start(true)}>
          {say('Start all the same')}
        </button>
      )}
      {mend && (
        <button type="button" className={`shrink-0 ${BUTTON}`} onClick={() => change(mend.change)}>
          {remedyWords(mend, say.reader)}
        </button>
      )}
    </p>
  ) : compared ? (
    <div>
      <p>
        <b>{compared.headline}</b> {compared.because}
      </p>
      {thoughts?.learned && (
        <p className="pt-0.5 text-[16px]">
          <Link href="/log/knows" className="underline decoration-butter decoration-2">
            {say(learnedWords(thoughts.learned))}
          </Link>
        </p>
      )}
    </div>
  ) : (
    <p className="text-quiet">{say('Working out what multiplying would do …')}</p>
  );
}
