'use client';

import { TriangleAlert } from 'lucide-react';
import { settingName } from '../../../core/formats/recipeWords';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import type { Foresight } from '../../../core/plan/foresee';
import type { WarningKind } from '../../../core/plan/types';
import { duration, mPas } from '../../../core/units/shown/format';
import { degrees, type Show, volumeWords } from '../../../core/units/shown/show';
import { Spoon } from '../../shared/draw/Spoon';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';

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
  const say = useSay();
  if (away) {
    return (
      <p role="status" className="font-bold">
        {say(
          'No connection: what it comes to is worked out again with the next change. What you typed is kept here.',
        )}
      </p>
    );
  }
  if (!foreseen) return <p className="text-quiet">{say('Simulating it …')}</p>;
  return foreseen.ok ? (
    <Lands foreseen={foreseen} wantedBand={wantedBand} show={show} />
  ) : (
    <Mistakes problems={foreseen.problems} onProblem={onProblem} />
  );
}

type Wrong = Extract<Foresight, { ok: false }>;

/** What is wrong with it, each the way to its field. */
function Mistakes({ problems, onProblem }: Pick<Wrong, 'problems'> & Pick<Props, 'onProblem'>) {
  const say = useSay();
  return (
    <div aria-live="polite">
      <h2 className="flex items-center gap-2 font-bold text-[22px] text-tomato">
        <TriangleAlert aria-hidden />
        {say('{count, plural, one {One mistake to correct} other {# mistakes to correct}}', {
          count: problems.length,
        })}
      </h2>
      <ul className="mt-2">
        {problems.map((p) => (
          <li key={`${p.path}${say(p.says)}`} className="border-rule border-b">
            <button
              type="button"
              onClick={() => onProblem(p.path)}
              className="min-h-12 w-full py-1.5 text-left leading-tight underline decoration-2 underline-offset-4"
            >
              {say('{place}: {says}', { place: placeWords(p.path), says: p.says })}
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-3 text-quiet">{say('What you typed is kept. Mended, it is simulated again.')}</p>
    </div>
  );
}

type Right = Extract<Foresight, { ok: true }>;

function Lands({
  foreseen,
  wantedBand,
  show,
}: Pick<Props, 'wantedBand' | 'show'> & { readonly foreseen: Right }) {
  const say = useSay();
  const lands = foreseen.band === wantedBand;
  return (
    <div>
      <h2 className="flex items-center justify-between gap-2">
        <span>
          <span className="block text-quiet">{say('On the pass')}</span>
          <span className={`block font-bold text-[34px] leading-tight ${lands ? '' : 'text-tomato'}`}>
            {say(term(foreseen.band))}
          </span>
        </span>
        <Spoon viscosity={foreseen.viscosity} width={110} />
      </h2>
      {!lands && (
        <p className="font-bold text-tomato">{say('The recipe says {band}.', { band: term(wantedBand) })}</p>
      )}
      <p className="figures mt-1 font-bold text-[22px]">
        {say('{viscosity} mPa·s · {volumeMl}', {
          viscosity: mPas(foreseen.viscosity),
          volumeMl: volumeWords(foreseen.volumeMl, show),
        })}
      </p>
      <p className="mt-1">
        {say('Salt {saltPercent} %, fat {fatFraction} % of the liquid, {seconds} from flame to pass.', {
          saltPercent: foreseen.saltPercent.toFixed(2),
          fatFraction: (foreseen.fatFraction * 100).toFixed(1),
          seconds: duration(foreseen.seconds),
        })}
      </p>
      {foreseen.doses.length > 0 && (
        <p className="mt-1">
          {say('Worked out: {doses}.', {
            doses: foreseen.doses
              .map((d) => say('{grams} {what}', { grams: { g: d.g }, what: { within: term(d.name) } }))
              .join(', '),
          })}
        </p>
      )}
      {foreseen.warnings
        .filter((w) => w.grave || MENDED_HERE.has(w.kind))
        .map((w) => (
          <p key={w.id} className={`mt-2 leading-tight ${w.grave ? 'font-bold text-tomato' : 'font-bold'}`}>
            {say(w.says)}
          </p>
        ))}
      <AfterEach steps={foreseen.steps} show={show} />
    </div>
  );
}

function AfterEach({ steps, show }: Pick<Right, 'steps'> & Pick<Props, 'show'>) {
  const say = useSay();
  const unit = useUnits().of('ml');
  return (
    <table className="mt-3 w-full border-collapse text-[15px]">
      <caption className="pb-1 text-left font-bold text-[17px]">{say('After each step')}</caption>
      <thead>
        <tr className="border-ink border-b text-right text-quiet">
          <th scope="col" className="text-left font-normal">
            {say('Step')}
          </th>
          <th scope="col" className="font-normal">
            {show.temperature === 'C' ? '°C' : '°F'}
          </th>
          <th scope="col" className="font-normal">
            {unit.unit}
          </th>
          <th scope="col" className="font-normal">
            {say('mPa·s')}
          </th>
        </tr>
      </thead>
      <tbody>
        {steps.map((s, n) => {
          const key = `${n} ${s.title.text}`;
          return (
            <tr key={key} className="border-rule border-b">
              <th scope="row" className="max-w-44 truncate py-1.5 text-left font-normal">
                {n + 1} {say(s.title)}
              </th>
              <td className="figures text-right">{degrees(s.celsius, show).split(' ')[0]}</td>
              <td className="figures text-right">{unit.text(s.volumeMl)}</td>
              <td className="figures text-right">{s.volumeMl > 300 ? mPas(s.viscosity) : '–'}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const WORDS: Readonly<Record<string, Message>> = {
  name: message('Name'),
  school: message('Way of thickening'),
  yieldLitres: message('Makes'),
  band: message('Band'),
};

/** "steps.2.items.0.amount" → "Step 3, amount". */
function placeWords(path: string): Message {
  const m = /^steps\.(\d+)(?:\.(.*))?$/.exec(path);
  if (!m) return WORDS[path] ?? message('{path}', { path });
  const last = (m[2] ?? '')
    .split('.')
    .filter((k) => Number.isNaN(Number(k)))
    .at(-1);
  const n = Number(m[1]) + 1;
  return last && last !== 'kind'
    ? message('Step {n}, {field}', { n, field: settingName(last) })
    : message('Step {n}', { n });
}
