'use client';

import { useState } from 'react';
import type { NotebookTold } from '../../contract/log';
import { term } from '../../core/message/term';
import { shortDay } from '../../core/service/words/dayWords';
import { volumeWords } from '../../core/units/shown/show';
import { ask, problemWords } from '../device/line/api';
import { FileButton } from '../shared/form/FileButton';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Sheet } from '../shared/Sheet';
import { BUTTON, PRIMARY } from '../shared/styles';

type Props = { readonly onClose: () => void; readonly onTaken: () => void };

/** Past batches out of a notebook kept as a table: read, looked at, and then taken in. */
export function NotebookSheet({ onClose, onTaken }: Props) {
  const say = useSay();
  const [text, setText] = useState<string | null>(null);
  const [told, setTold] = useState<NotebookTold | null>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const send = async (of: string, take: 'no' | 'all' | 'right') => {
    setBusy(true);
    const answer = await ask('POST /api/log/notebook', { body: of, query: { take } });
    setBusy(false);
    setProblem(answer.ok ? null : say(problemWords(answer.problems)));
    if (!answer.ok) return;
    setTold(answer.body);
    if (answer.body.taken > 0) onTaken();
  };
  const look = async (of: string) => {
    setText(of);
    setTold(null);
    await send(of, 'no');
  };
  return (
    <Sheet open onOpenChange={(open) => !open && onClose()} title={say('Batches from a notebook')} wide>
      <div className="grid gap-4 p-4">
        <p>
          {say(
            'A table saved as CSV: a line a batch, with columns for date, soup and litres; also amounts (“450 g flour; 2 L milk”), viscosity or band, pot, role, score and note. Dates and units as you write them.',
          )}
        </p>
        <div className="flex flex-wrap gap-3">
          <FileButton
            id="notebook"
            words={say('Choose a file')}
            accept=".csv,.txt,text/csv"
            look={BUTTON}
            onFile={(f) => void f.text().then(look)}
          />
        </div>
        <label className="grid gap-1">
          <span>{say('or paste it here')}</span>
          <textarea
            className="h-24 w-full rounded-sm border-2 border-ink bg-surface p-3"
            onChange={(e) => e.target.value.trim().includes('\n') && void look(e.target.value)}
          />
        </label>
        {busy && <p role="status">{say('Reading …')}</p>}
        {problem && (
          <p role="alert" className="font-bold text-tomato">
            {problem}
          </p>
        )}
        {told && told.taken > 0 && (
          <p role="status" className="font-bold text-[21px] text-chive">
            {say('{taken} batches stand in the log, {teaching} of them teach.', {
              taken: told.taken,
              teaching: told.teaching,
            })}
          </p>
        )}
        {told && told.taken === 0 && (
          <Read
            told={told}
            busy={busy}
            onTake={(take) => {
              if (text !== null) void send(text, take);
            }}
          />
        )}
      </div>
    </Sheet>
  );
}

type ReadProps = {
  readonly told: NotebookTold;
  readonly busy: boolean;
  readonly onTake: (take: 'all' | 'right') => void;
};

/** What was read of a notebook: how much of it is right, what is not, its first lines, and the tap that takes it in. */
function Read({ told, busy, onTake }: ReadProps) {
  const say = useSay();
  const show = useShow();
  return (
    <>
      <p role="status" className="text-[19px]">
        <b>
          {say(
            '{right, plural, one {One batch} other {# batches}} read, {known} of soups this house has; {wrong, plural, =0 {every line is right} one {one line is not right} other {# lines are not right}}.',
            { right: told.right, known: told.known, wrong: told.wrong },
          )}
        </b>{' '}
        {told.columns.left.length > 0 &&
          say('Columns left alone: {columns}.', { columns: { listed: told.columns.left } })}
      </p>
      {told.problems.length > 0 && (
        <ul className="max-h-52 overflow-auto border-2 border-tomato px-3 py-2">
          {told.problems.map((p) => (
            <li key={`${p.line} ${p.column}`}>
              {say('Line {line}, {column}: “{given}”. It takes {allowed}.', { ...p })}
            </li>
          ))}
        </ul>
      )}
      <table className="w-full text-left">
        <tbody>
          {told.shown.map((b) => (
            <tr key={b.line} className="border-rule border-t">
              <td className="py-1 pr-3">{say(shortDay(b.day))}</td>
              <td className="pr-3 font-bold">{b.soup}</td>
              <td className="figures pr-3">{volumeWords(b.ml, show)}</td>
              <td className="pr-3">{b.bowl ? say(term(b.bowl.band)) : ''}</td>
              <td>
                {b.recipeId === null
                  ? say('no recipe of this name')
                  : say('{n, plural, =0 {no amounts} one {one amount} other {# amounts}}', {
                      n: b.amounts.length,
                    })}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {told.right > 0 && (
        <button
          type="button"
          className={PRIMARY}
          disabled={busy}
          onClick={() => onTake(told.wrong > 0 ? 'right' : 'all')}
        >
          {told.wrong > 0
            ? say('Take in the {n} that are right, leave the rest', { n: told.right })
            : say('Take in all {n}', { n: told.right })}
        </button>
      )}
    </>
  );
}
