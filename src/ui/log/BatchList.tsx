'use client';

import { clsx } from 'clsx';
import type { DatedBatch } from '../../contract/log';
import { message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { shortDay } from '../../core/service/words/dayWords';
import { timeOfDay } from '../../core/units/clock';
import { mPas } from '../../core/units/shown/format';
import { volumeWords } from '../../core/units/shown/show';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { BUTTON } from '../shared/styles';
import type { useLog } from './useLog';

type Props = {
  readonly log: ReturnType<typeof useLog>;
  readonly picked: string | null;
  readonly onPick: (id: string) => void;
};

/** Batches by day, newest first. */
export function BatchList({ log, picked, onPick }: Props) {
  const say = useSay();
  return (
    <div className="pb-4">
      <p role="status" className="sr-only">
        {log.looking ? say('Looking …') : say('{n} batches', { n: log.batches.length })}
      </p>
      {log.failed && (
        <p role="alert" className="px-5 py-3 font-bold text-tomato">
          {say('The server could not be asked: what is shown is what was found last.')}
        </p>
      )}
      <ul>
        {log.batches.map((b) => (
          <li key={b.id}>
            <Row batch={b} here={b.id === picked} onPick={() => onPick(b.id)} />
          </li>
        ))}
      </ul>
      {log.batches.length === 0 && (log.find || log.soup) && (
        <p className="py-8 text-center text-[21px]">{say('No batch has that in it.')}</p>
      )}
      {log.hasMore && (
        <p className="py-3 text-center">
          <button type="button" className={BUTTON} disabled={log.looking} onClick={() => void log.more()}>
            {say('Show older ones')}
          </button>
        </p>
      )}
    </div>
  );
}

/** What was done about a batch, or what is to be known of it, in a few words. */
function noteOf(b: DatedBatch) {
  if (b.fromNotebook) return message('from the notebook');
  if (b.goesTo === 'bin') return message('thrown away');
  if (b.corrections.length > 0) return message('{what}', { what: b.corrections.join('; ') });
  if (b.putIn > 0)
    return message('{n, plural, one {one thing more} other {# things more}} put in', { n: b.putIn });
  if (b.measured === null) return message('not tested');
  return message('no correction');
}

type RowProps = { readonly batch: DatedBatch; readonly here: boolean; readonly onPick: () => void };

function Row({ batch: b, here, onPick }: RowProps) {
  const say = useSay();
  const show = useShow();
  const at = new Date(b.startedAt);
  return (
    <button
      type="button"
      aria-pressed={here}
      onClick={onPick}
      className={clsx(
        'grid min-h-14 w-full grid-cols-[110px_1fr_auto] items-center gap-x-4 border-rule border-b px-5 py-2 text-left min-[900px]:grid-cols-[170px_1fr_90px_210px_200px]',
        here ? 'border-l-[10px] border-l-butter bg-surface' : 'hover:bg-butter/25',
      )}
    >
      <span className="figures text-[17px]">
        {say(shortDay(b.day))} <span className="text-quiet">{timeOfDay(at)}</span>
      </span>
      <span className="min-w-0">
        <b className="block truncate text-[19px]">{b.name}</b>
        <span className="block truncate text-[15px] text-quiet">
          {[b.pot, b.burner, b.role].filter(Boolean).join(' · ')}
        </span>
      </span>
      <span className="figures text-[17px]">{volumeWords(b.yieldMl ?? b.askedMl, show)}</span>
      <span className="text-[17px] max-[900px]:col-start-2">
        {b.fromNotebook
          ? b.landed && b.target > 0
            ? say('{band}', { band: term(b.landed) })
            : ''
          : b.measured === null
            ? say('asked {band} {target}', { band: term(b.band), target: mPas(b.target) })
            : say('{band} {measured}, asked {target}', {
                band: term(b.landed ?? b.band),
                measured: mPas(b.measured),
                target: mPas(b.target),
              })}
      </span>
      <span
        className={clsx(
          'truncate text-[15px] max-[900px]:col-start-2',
          b.corrections.length > 0 || b.goesTo === 'bin' ? 'font-bold' : 'text-quiet',
        )}
      >
        {say(noteOf(b))}
      </span>
    </button>
  );
}
