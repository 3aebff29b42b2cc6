'use client';

import { useEffect, useState } from 'react';
import { v4 } from 'uuid';
import type { LearningAct, NamedNumber, NumberHistory } from '../../../contract/log';
import { numberSays, numberTitle } from '../../../core/log/numberWords';
import { shortDay } from '../../../core/service/words/dayWords';
import { ask, problemWords } from '../../device/line/api';
import { readRole } from '../../device/useRole';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { Sheet } from '../../shared/Sheet';
import { BUTTON, FIELD } from '../../shared/styles';
import { NumberRuler } from './NumberRuler';

type Props = {
  readonly number: NamedNumber;
  readonly onClose: () => void;
  readonly onActed: () => void;
};

/** One number of the house: every batch that made it, and what may be done about it by hand. */
export function NumberSheet({ number, onClose, onActed }: Props) {
  const say = useSay();
  const [history, setHistory] = useState<NumberHistory | null>(null);
  const [asked, setAsked] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    const read = async () => {
      const answer = await ask('GET /api/log/numbers', { query: { key: number.key } });
      if (!gone && answer.ok) setHistory(answer.body);
    };
    void read();
    // What was done is worked out in its own thread.
    const timer = asked > 0 ? setTimeout(read, 1500) : undefined;
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [number.key, asked]);
  const act = async (body: LearningAct['body']) => {
    const answer = await ask('POST /api/log/acts', { body: { id: v4(), by: readRole(), body } });
    setProblem(answer.ok ? null : say(problemWords(answer.problems)));
    if (!answer.ok) return;
    setAsked((n) => n + 1);
    onActed();
  };
  const now = history?.number ?? number;
  return (
    <Sheet open onOpenChange={(open) => !open && onClose()} title={say(numberTitle(now.key, now.of))} wide>
      <div className="grid gap-4 p-4">
        <div>
          <p className="text-[21px]">
            <b>{say('{says}', { says: { opening: numberSays(now.key, now.by) } })}</b>
            {now.fixed
              ? say(', set by hand')
              : say(
                  ', from {n, plural, one {one reading} other {# readings}} of {batches, plural, one {one batch} other {# batches}}',
                  {
                    n: now.rests.readings,
                    batches: now.rests.batches,
                  },
                )}
          </p>
          <NumberRuler by={now.by} spread={now.spread} before={now.before} />
        </div>
        <ByHand now={now} onAct={(body) => void act(body)} />
        {problem && (
          <p role="alert" className="font-bold text-tomato">
            {problem}
          </p>
        )}
        <Lessons history={history} onAct={(body) => void act(body)} />
      </div>
    </Sheet>
  );
}

type Acting = { readonly onAct: (body: LearningAct['body']) => void };

/** The number set, freed, forgotten. */
function ByHand({ now, onAct }: Acting & { readonly now: NamedNumber }) {
  const say = useSay();
  const [percent, setPercent] = useState(String(Math.round(now.by * 100)));
  const factor = Number(percent) / 100;
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (factor > 0) onAct({ kind: 'fix', key: now.key, factor });
      }}
    >
      <label className="grid gap-1">
        <span>{say('Set it by hand, % of the book')}</span>
        <input
          inputMode="decimal"
          value={percent}
          onChange={(e) => setPercent(e.target.value.replace(',', '.'))}
          aria-invalid={!(factor >= 0.1 && factor <= 10)}
          className={`${FIELD} w-36`}
        />
      </label>
      <button type="submit" className={BUTTON} disabled={!(factor >= 0.1 && factor <= 10)}>
        {say('Set it')}
      </button>
      {now.fixed && (
        <button type="button" className={BUTTON} onClick={() => onAct({ kind: 'free', key: now.key })}>
          {say('Let readings say')}
        </button>
      )}
      <button type="button" className={BUTTON} onClick={() => onAct({ kind: 'forget', key: now.key })}>
        {say('Forget it, begin anew')}
      </button>
    </form>
  );
}

/** The batches that made it, newest first, each to be left out or counted again. */
function Lessons({ history, onAct }: Acting & { readonly history: NumberHistory | null }) {
  const say = useSay();
  return history === null ? (
    <p className="text-quiet">{say('Reading …')}</p>
  ) : (
    <ul>
      {history.lessons.map((l) => (
        <li
          key={l.batch}
          className="grid grid-cols-[1fr_auto] items-center gap-x-3 border-rule border-b py-1.5"
        >
          <span>
            <Link href={`/log/${l.batch}`} className="font-bold underline">
              {say('{day}, {name}', { day: shortDay(l.day), name: l.name })}
            </Link>{' '}
            <span className={l.leftOut ? 'line-through' : ''}>
              {say('{before} → {after} of the book, sure to {sure} %', {
                before: l.before.by.toFixed(2),
                after: l.after.by.toFixed(2),
                sure: Math.max(1, Math.round(Math.expm1(1.2816 * l.after.spread) * 100)),
              })}
            </span>
            {l.weight < 0.95 && (
              <span className="text-tomato"> {say('agreed with nothing else: believed in part')}</span>
            )}
          </span>
          <button
            type="button"
            className={BUTTON}
            onClick={() => onAct({ kind: l.leftOut ? 'count again' : 'leave out', batch: l.batch })}
          >
            {l.leftOut ? say('Count it again') : say('Leave it out')}
          </button>
        </li>
      ))}
      {history.lessons.length === 0 && <li className="text-quiet">{say('No batch bears on it yet.')}</li>}
    </ul>
  );
}
