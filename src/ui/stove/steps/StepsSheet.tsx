'use client';

import { clsx } from 'clsx';
import { Check, Flag, Plus, SkipForward, Undo2 } from 'lucide-react';
import { useState } from 'react';
import type { BatchEvent, EventBody } from '../../../core/batch/events';
import { lateBy } from '../../../core/batch/guide/late';
import type { Unreadable } from '../../../core/batch/record';
import type { BatchState, StepState } from '../../../core/batch/state';
import { titleIn } from '../../../core/batch/titleIn';
import { type Message, message } from '../../../core/message/message';
import { timeOfDay } from '../../../core/units/clock';
import { duration } from '../../../core/units/shown/format';
import { Segments } from '../../shared/form/Segments';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { Pan } from '../../shared/Pan';
import { BUTTON } from '../../shared/styles';
import { AddStep } from './AddStep';
import { BackSheet } from './BackSheet';
import { LineList } from './LineList';
import { SkipStep } from './SkipStep';

type Props = {
  /** Every line there is, those taken back too. */
  readonly events: readonly BatchEvent[];
  readonly state: BatchState;
  readonly unreadable: readonly Unreadable[];
  readonly write: (body: EventBody, at?: string) => BatchEvent;
  /** Ends the batch though steps are left. */
  readonly onEnd: () => void;
  /** Shows a step that is not at hand. */
  readonly onLook: (place: number) => void;
};

/** How late the record has a tap that waited on its station. */
const lateWords = (event: BatchEvent): Message | string =>
  lateBy(event) > 0 ? message(', on record {lateBy} later', { lateBy: duration(lateBy(event) / 1000) }) : '';

/** A step of words, before the one of the plan that comes next. */
function added({ steps, current }: BatchState, title: string, minutes: number | null): EventBody {
  const next = steps.slice(current).find((s) => typeof s.key === 'number');
  const planned = steps.filter((s) => s.planned).length;
  const before = typeof next?.key === 'number' ? next.key : planned;
  return { kind: 'step-added', before, title, ...(minutes !== null && { minutes }) };
}

/** All steps: look at one, mark or take back out of turn, leave out with a reason, add one. */
export function StepsSheet({ events, state, unreadable, write, onLook, onEnd }: Props) {
  const say = useSay();
  const [skipping, setSkipping] = useState<StepState | null>(null);
  const [adding, setAdding] = useState(false);
  const [face, setFace] = useState<'steps' | 'lines'>('steps');
  const [backing, setBacking] = useState<BatchEvent | null>(null);
  if (skipping)
    return (
      <SkipStep
        step={skipping}
        onSkip={(reason) => {
          write({ kind: 'step-skipped', step: skipping.key, reason });
          setSkipping(null);
        }}
      />
    );
  if (adding)
    return (
      <AddStep
        onAdd={(title, minutes) => {
          write(added(state, title, minutes));
          setAdding(false);
        }}
      />
    );
  const faces = (
    <div className="p-3 pb-1">
      <Segments
        label={say('What is listed')}
        value={face}
        onChange={setFace}
        options={[
          { value: 'steps', words: say('Steps') },
          { value: 'lines', words: say('Everything written down') },
        ]}
      />
    </div>
  );
  const taking = backing && (
    <BackSheet event={backing} state={state} events={events} write={write} onClose={() => setBacking(null)} />
  );
  if (face === 'lines')
    return (
      <div>
        {faces}
        <LineList events={events} state={state} onBack={setBacking} write={write} />
        {taking}
      </div>
    );
  return (
    <div>
      {faces}
      {taking}
      <ol aria-label={say('Steps')}>
        {state.steps.map((s, n) => (
          <StepRow
            key={String(s.key)}
            step={s}
            n={n}
            here={n === state.current}
            onEnd={() => write({ kind: 'step-done', step: s.key })}
            onBack={setBacking}
            onLook={() => onLook(n)}
            onSkip={() => setSkipping(s)}
          />
        ))}
      </ol>
      <div className="grid gap-2 p-3">
        {unreadable.length > 0 && <Unread unreadable={unreadable} />}
        <button type="button" onClick={() => setAdding(true)} className={BUTTON}>
          <Plus aria-hidden /> {say('Add a step before the one at hand')}
        </button>
        <button type="button" onClick={onEnd} className={BUTTON}>
          <Flag aria-hidden /> {say('End the batch here')}
        </button>
      </div>
    </div>
  );
}

/** Lines of the record that nobody can read any more, and why. */
function Unread({ unreadable }: Pick<Props, 'unreadable'>) {
  const say = useSay();
  return (
    <p role="status" className="border-2 border-tomato px-3 py-2">
      {say.rich(
        '<b>{count, plural, one {One line of this record cannot be read} other {# lines of this record cannot be read}}</b>: {why}. It stays in the record and in the archive, and counts for nothing here.',
        { b: (text) => <b>{text}</b>, count: unreadable.length, why: unreadable[0]?.why ?? '' },
      )}
    </p>
  );
}

type Row = {
  readonly step: StepState;
  readonly n: number;
  readonly here: boolean;
  readonly onEnd: () => void;
  /** The line that ended it is to be taken back. */
  readonly onBack: (line: BatchEvent) => void;
  readonly onLook: () => void;
  readonly onSkip: () => void;
};

function StepRow({ step: s, n, here, onEnd, onBack, onLook, onSkip }: Row) {
  const say = useSay();
  const show = useShow();
  const ended = s.done ?? s.skipped?.event ?? null;
  const stands = () =>
    s.done
      ? say('done at {timeOfDay} by {station}{late}', {
          timeOfDay: timeOfDay(new Date(s.done.at)),
          station: s.done.station,
          late: lateWords(s.done),
        })
      : s.skipped
        ? say('left out: {reason}', { reason: s.skipped.reason })
        : s.begun !== null
          ? say('goes by itself since {time}', { time: timeOfDay(new Date(s.begun)) })
          : s.planned
            ? duration(s.seconds)
            : say('{time}, added here', { time: duration(s.seconds) });
  return (
    <li
      aria-current={here ? 'step' : undefined}
      className={clsx('flex items-center gap-2 border-rule border-b px-3 py-1', here && 'bg-butter/25')}
    >
      <button
        type="button"
        onClick={() => (ended ? onBack(ended) : onEnd())}
        aria-label={
          ended
            ? say('Take back: {title}', { title: titleIn(s, show) })
            : say('Mark done: {title}', { title: titleIn(s, show) })
        }
        className="grid size-14 shrink-0 place-items-center"
      >
        <span
          className={clsx(
            'grid size-9 place-items-center rounded-sm border-2 border-ink',
            ended ? 'bg-ink text-surface' : 'bg-surface',
          )}
        >
          {s.done ? (
            <Check size={24} strokeWidth={3} aria-hidden />
          ) : s.skipped ? (
            <SkipForward size={20} aria-hidden />
          ) : (
            <span className="figures text-[17px]">{n + 1}</span>
          )}
        </span>
      </button>
      <button type="button" onClick={onLook} className="min-h-14 min-w-0 flex-1 text-left leading-tight">
        <span className={clsx('block', here && 'font-bold', s.skipped && 'line-through')}>
          {s.does?.in && <Pan name={s.does.in} />}
          {titleIn(s, show)}
        </span>
        <span className="block text-[15px] text-quiet">{stands()}</span>
      </button>
      {ended ? (
        <Undo2 aria-hidden className="mr-3 shrink-0 text-quiet" size={20} />
      ) : (
        <button
          type="button"
          onClick={onSkip}
          aria-label={say('Leave out: {title}', { title: titleIn(s, show) })}
          className={`${BUTTON} shrink-0 border-rule px-3`}
        >
          <SkipForward size={20} aria-hidden />
        </button>
      )}
    </li>
  );
}
