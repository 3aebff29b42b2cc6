'use client';

import { TriangleAlert } from 'lucide-react';
import type { Foresight } from '../../../core/plan/foresee';
import type { WarningKind } from '../../../core/plan/types';
import { duration, litres, mPas, spaced } from '../../../core/units/format';
import { degrees, type Show, volumeWords } from '../../../core/units/show';
import { Spoon } from '../../shared/draw/Spoon';

/** Not grave, and mended in the recipe itself. */
const MENDED_HERE: ReadonlySet<WarningKind> = new Set(['fat-short', 'fat-over', 'raw-flour']);

type Props = {
  readonly foreseen: Foresight | null;
  readonly away: boolean;
  readonly wantedBand: string;
  readonly show: Show;
  /** Goes to the field a problem stands in. */
  readonly onProblem: (path: string) => void;
};

/** What the recipe comes to in its own pot, beside it as it is typed. */
export function Prediction({ foreseen, away, wantedBand, show, onProblem }: Props) {
  if (away) {
    return (
      <p role="status" className="font-bold">
        No connection: what it comes to is worked out again with the next change. What you typed is kept here.
      </p>
    );
  }
  if (!foreseen) return <p className="text-quiet">Cooking it in thought …</p>;
  if (!foreseen.ok) {
    return (
      <div aria-live="polite">
        <h2 className="flex items-center gap-2 font-bold text-[22px] text-tomato">
          <TriangleAlert aria-hidden />
          {foreseen.problems.length === 1
            ? 'One thing to mend'
            : `${foreseen.problems.length} things to mend`}
        </h2>
        <ul className="mt-2">
          {foreseen.problems.map((p) => (
            <li key={`${p.path}${p.says}`} className="border-rule border-b">
              <button
                type="button"
                onClick={() => onProblem(p.path)}
                className="min-h-12 w-full py-1.5 text-left leading-tight underline decoration-2 underline-offset-4"
              >
                {placeWords(p.path)}: {p.says}
              </button>
            </li>
          ))}
        </ul>
        <p className="mt-3 text-quiet">What you typed is kept. Mended, it is cooked in thought again.</p>
      </div>
    );
  }
  const lands = foreseen.band === wantedBand;
  return (
    <div>
      <h2 className="flex items-center justify-between gap-2">
        <span>
          <span className="block text-quiet">On the pass</span>
          <span className={`block font-bold text-[34px] leading-tight ${lands ? '' : 'text-tomato'}`}>
            {foreseen.band}
          </span>
        </span>
        <Spoon viscosity={foreseen.viscosity} width={110} />
      </h2>
      {!lands && <p className="font-bold text-tomato">The recipe says {wantedBand}.</p>}
      <p className="figures mt-1 font-bold text-[22px]">
        {mPas(foreseen.viscosity)} mPa·s · {volumeWords(foreseen.volumeMl, show)}
      </p>
      <p className="mt-1">
        Salt {foreseen.saltPercent.toFixed(2)} %, fat {(foreseen.fatFraction * 100).toFixed(1)} % of the
        liquid, {duration(foreseen.seconds)} from flame to pass.
      </p>
      {foreseen.doses.length > 0 && (
        <p className="mt-1">
          Worked out: {foreseen.doses.map((d) => `${spaced(d.g)} g ${d.name.toLowerCase()}`).join(', ')}.
        </p>
      )}
      {foreseen.warnings
        .filter((w) => w.grave || MENDED_HERE.has(w.kind))
        .map((w) => (
          <p key={w.id} className={`mt-2 leading-tight ${w.grave ? 'font-bold text-tomato' : 'font-bold'}`}>
            {w.says}
          </p>
        ))}
      <table className="mt-3 w-full border-collapse text-[15px]">
        <caption className="pb-1 text-left font-bold text-[17px]">After each step</caption>
        <thead>
          <tr className="border-ink border-b text-right text-quiet">
            <th scope="col" className="text-left font-normal">
              Step
            </th>
            <th scope="col" className="font-normal">
              {show.temperature === 'C' ? '°C' : '°F'}
            </th>
            <th scope="col" className="font-normal">
              L
            </th>
            <th scope="col" className="font-normal">
              mPa·s
            </th>
          </tr>
        </thead>
        <tbody>
          {foreseen.steps.map((s, n) => {
            const key = `${n} ${s.title}`;
            return (
              <tr key={key} className="border-rule border-b">
                <th scope="row" className="max-w-44 truncate py-1.5 text-left font-normal">
                  {n + 1} {s.title}
                </th>
                <td className="figures text-right">{degrees(s.celsius, show).split(' ')[0]}</td>
                <td className="figures text-right">{litres(s.volumeMl)}</td>
                <td className="figures text-right">{s.volumeMl > 300 ? mPas(s.viscosity) : '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

const WORDS: Readonly<Record<string, string>> = {
  name: 'Name',
  school: 'School',
  yieldLitres: 'Makes',
  band: 'Band',
};

/** "steps.2.items.0.amount" → "Step 3, amount". */
function placeWords(path: string): string {
  const m = /^steps\.(\d+)(?:\.(.*))?$/.exec(path);
  if (!m) return WORDS[path] ?? path;
  const last = (m[2] ?? '')
    .split('.')
    .filter((k) => Number.isNaN(Number(k)))
    .at(-1);
  return `Step ${Number(m[1]) + 1}${last && last !== 'kind' ? `, ${last.replace(/([A-Z])/g, ' $1').toLowerCase()}` : ''}`;
}
