'use client';

import { Minus, Plus } from 'lucide-react';
import { useId, useState } from 'react';
import { message } from '../../../core/message/message';
import { ORDER_BOUNDS } from '../../../core/order/bounds';
import { VOLUME_UNITS } from '../../../core/units/quantity';
import type { Show } from '../../../core/units/shown/show';
import { parseNumber } from '../../../core/units/typed/parse';
import { MetricField } from '../../shared/form/MetricField';
import { Segments } from '../../shared/form/Segments';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, FIELD } from '../../shared/styles';

const [LEAST_LITRES, MOST_LITRES] = ORDER_BOUNDS.litres;

const PRESETS = [2, 4, 8, 12, 20, 40];
const LADLES = [150, 200, 250, 300, 350];

const UNITS = {
  L: { words: message('Litres'), unit: 'L', per: 1 },
  quart: { words: message('Quarts'), unit: 'quarts', per: VOLUME_UNITS.quart / 1000 },
  gal: { words: message('US gal'), unit: 'gal', per: VOLUME_UNITS.gal / 1000 },
} as const;
type Unit = keyof typeof UNITS;

const stepFor = (value: number): number => (value < 5 ? 0.5 : value < 20 ? 1 : 5);

type Props = {
  readonly litres: number;
  readonly show: Show;
  readonly onChange: (litres: number) => void;
};

/** What is inside the sheet. What cannot be made is refused beside the field and kept as typed. */
export function HowMuch({ litres, show, onChange }: Props) {
  const say = useSay();
  const [by, setBy] = useState<Unit | 'portions'>(show.volume);
  const set = (value: number) =>
    onChange(Math.min(MOST_LITRES, Math.max(LEAST_LITRES, Number(value.toFixed(3)))));
  return (
    <div className="p-4">
      <Segments
        label={say('Measured in')}
        value={by}
        onChange={setBy}
        options={[
          ...(Object.keys(UNITS) as Unit[]).map((u) => ({ value: u, words: UNITS[u].words })),
          { value: 'portions', words: say('Portions') },
        ]}
      />
      {by === 'portions' ? (
        <ByPortions key="portions" litres={litres} onChange={set} />
      ) : (
        <ByVolume key={by} unit={by} litres={litres} onChange={set} />
      )}
    </div>
  );
}

type PartProps = { readonly litres: number; readonly onChange: (litres: number) => void };

function ByVolume({ unit, litres, onChange }: PartProps & { unit: Unit }) {
  const say = useSay();
  const { per, unit: sign } = UNITS[unit];
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const value = litres / per;
  const set = (next: number) => {
    setTyped(null);
    setProblem(null);
    onChange(next);
  };
  const onType = (text: string) => {
    setTyped(text);
    const next = parseNumber(text) * per;
    if (next >= LEAST_LITRES && next <= MOST_LITRES) {
      setProblem(null);
      onChange(next);
      return;
    }
    const low = Number((LEAST_LITRES / per).toFixed(2));
    const high = Math.floor(MOST_LITRES / per);
    setProblem(
      say('How much: “{text}” cannot be made. Write a number from {low} to {high} {sign}.', {
        text,
        low,
        high,
        sign,
      }),
    );
  };
  const square = 'grid size-14 shrink-0 place-items-center rounded-sm border-2 border-ink';
  return (
    <>
      <label htmlFor={id} className="mt-4 block font-bold">
        {say('How much at the pass')}
      </label>
      <div className="mt-2 flex gap-2">
        <button
          type="button"
          aria-label={say('Less')}
          onClick={() => set((value - stepFor(value - 0.01)) * per)}
          className={square}
        >
          <Minus aria-hidden />
        </button>
        <input
          id={id}
          inputMode="decimal"
          value={typed ?? String(Number(value.toFixed(2)))}
          onChange={(e) => onType(e.target.value)}
          aria-invalid={problem !== null}
          aria-describedby={problem ? `${id}-problem` : undefined}
          className={`figures text-right font-bold text-[32px] ${FIELD}`}
        />
        <span className="flex w-16 shrink-0 items-center font-bold">{sign}</span>
        <button
          type="button"
          aria-label={say('More')}
          onClick={() => set((value + stepFor(value)) * per)}
          className={square}
        >
          <Plus aria-hidden />
        </button>
      </div>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-2 font-bold text-tomato">
          {problem}
        </p>
      )}
      <Presets sign={sign} onTake={(n) => set(n * per)} />
    </>
  );
}

type PresetsProps = { readonly sign: string; readonly onTake: (n: number) => void };

function Presets({ sign, onTake }: PresetsProps) {
  const say = useSay();
  return (
    <div className="mt-3 grid grid-cols-6 gap-2">
      {PRESETS.map((p) => (
        <button
          key={p}
          type="button"
          onClick={() => onTake(p)}
          aria-label={say('{p} {sign}', { p, sign: sign === 'L' ? 'litres' : sign })}
          className="figures h-14 rounded-sm border-2 border-ink font-bold text-[20px]"
        >
          {p}
        </button>
      ))}
    </div>
  );
}

/** Portions of so large a ladle: how much that is, L, or what is wrong with it. */
function useCounted(portions: string, ladle: string) {
  const say = useSay();
  const [n, ml] = [parseNumber(portions), parseNumber(ladle)];
  const wrongPortions = !(Number.isInteger(n) && n >= 1 && n <= 5000);
  const wrongLadle = !(ml >= 20 && ml <= 2000);
  const total = (n * ml) / 1000;
  const wrongTotal = !wrongPortions && !wrongLadle && (total < LEAST_LITRES || total > MOST_LITRES);
  const problem = wrongPortions
    ? say('Portions: “{portions}” is not a whole number from 1 to 5000.', { portions })
    : wrongLadle
      ? say('Ladle: “{ladle}” is not from {least} to {most}.', {
          ladle,
          least: { millilitres: 20 },
          most: { millilitres: 2000 },
        })
      : wrongTotal
        ? say('{n} of {ml} is {total}: from {least} to {most} can be made.', {
            n,
            ml: { millilitres: ml },
            total: { ml: total * 1000 },
            least: { litres: LEAST_LITRES },
            most: { litres: MOST_LITRES },
          })
        : null;
  return { problem, wrongPortions, wrongLadle, wrongTotal, total };
}

function ByPortions({ litres, onChange }: PartProps) {
  const say = useSay();
  const [ladle, setLadle] = useState('300');
  const [portions, setPortions] = useState(String(Math.max(1, Math.round((litres * 1000) / 300))));
  const id = useId();
  const { problem, wrongPortions, wrongLadle, wrongTotal, total } = useCounted(portions, ladle);
  const set = (nextPortions: string, nextLadle: string) => {
    setPortions(nextPortions);
    setLadle(nextLadle);
    const next = (parseNumber(nextPortions) * parseNumber(nextLadle)) / 1000;
    if (next >= LEAST_LITRES && next <= MOST_LITRES) onChange(next);
  };
  return (
    <>
      <div className="mt-4 flex items-end gap-3">
        <div className="flex-1">
          <label htmlFor={`${id}-n`} className="block font-bold">
            {say('Portions')}
          </label>
          <input
            id={`${id}-n`}
            inputMode="numeric"
            value={portions}
            onChange={(e) => set(e.target.value, ladle)}
            aria-invalid={wrongPortions || wrongTotal}
            aria-describedby={problem ? `${id}-problem` : undefined}
            className={`figures mt-2 text-right font-bold text-[32px] ${FIELD}`}
          />
        </div>
        <span className="pb-4 font-bold text-[24px]">×</span>
        <div className="flex-1">
          <MetricField
            id={`${id}-ml`}
            words={message('Ladle, {unit}')}
            what="jug"
            value={ladle}
            onValue={(metric) => set(portions, metric)}
            aria-invalid={wrongLadle}
            className="figures mt-1 text-right font-bold text-[32px]"
          />
        </div>
        <p className="figures pb-3 font-bold text-[24px]" aria-live="polite">
          {say('= {total}', { total: Number.isFinite(total) ? { ml: total * 1000 } : '–' })}
        </p>
      </div>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-2 font-bold text-tomato">
          {problem}
        </p>
      )}
      <div className="mt-3 flex gap-2">
        {LADLES.map((l) => (
          <button
            key={l}
            type="button"
            onClick={() => set(portions, String(l))}
            className={`flex-1 ${BUTTON}`}
          >
            {say('{l}', { l: { millilitres: l } })}
          </button>
        ))}
      </div>
    </>
  );
}
