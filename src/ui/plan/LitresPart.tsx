'use client';

import { Minus, Plus } from 'lucide-react';
import { useId, useState } from 'react';
import { spaced } from '../../core/units/format';
import { parseNumber } from '../../core/units/parse';
import { VOLUME_UNITS } from '../../core/units/quantity';
import { PART } from '../shared/Choice';
import { Sheet } from '../shared/Sheet';
import { LEAST_LITRES, MOST_LITRES } from './wish';

const PRESETS = [2, 4, 8, 12, 20, 40];

const words = (litres: number): string => `${spaced(litres, Number.isInteger(litres) ? 0 : 1)} L`;

const stepFor = (litres: number): number => (litres < 5 ? 0.5 : litres < 20 ? 1 : 5);

type Props = { readonly litres: number; readonly onChange: (litres: number) => void };

/** How much: typed in litres or US gallons, stepped, or picked. What cannot be is refused beside the field and kept as typed. */
export function LitresPart({ litres, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const [unit, setUnit] = useState<'L' | 'gal'>('L');
  const per = unit === 'L' ? 1 : VOLUME_UNITS.gal / 1000;
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();

  const shown = typed ?? String(Number((litres / per).toFixed(2)));
  const forget = () => {
    setTyped(null);
    setProblem(null);
  };
  const set = (value: number) => {
    forget();
    onChange(Math.min(MOST_LITRES, Math.max(LEAST_LITRES, Number(value.toFixed(3)))));
  };
  const onType = (text: string) => {
    setTyped(text);
    const value = parseNumber(text) * per;
    const low = Number((LEAST_LITRES / per).toFixed(2));
    const high = Number((MOST_LITRES / per).toFixed(0));
    if (value >= LEAST_LITRES && value <= MOST_LITRES) {
      setProblem(null);
      onChange(value);
    } else {
      setProblem(`How much: “${text}” cannot be made. Write a number from ${low} to ${high} ${unit}.`);
    }
  };

  return (
    <Sheet
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        if (!next) forget();
      }}
      title="How much"
      trigger={words(litres)}
      label={`How much: ${words(litres)}`}
      triggerClass={PART}
    >
      <div className="p-4">
        <label htmlFor={id} className="block font-bold">
          How much at the pass
        </label>
        <div className="mt-2 flex gap-2">
          <button
            type="button"
            aria-label="Less"
            onClick={() => set(litres - stepFor(litres - 0.01))}
            className="grid size-14 shrink-0 place-items-center rounded-sm border-2 border-ink"
          >
            <Minus aria-hidden />
          </button>
          <input
            id={id}
            inputMode="decimal"
            value={shown}
            onChange={(e) => onType(e.target.value)}
            aria-invalid={problem !== null}
            aria-describedby={problem ? `${id}-problem` : undefined}
            className="figures h-14 w-full min-w-0 rounded-sm border-2 border-ink bg-surface px-3 text-right font-bold text-[32px] aria-invalid:border-tomato"
          />
          <button
            type="button"
            aria-label="More"
            onClick={() => set(litres + stepFor(litres))}
            className="grid size-14 shrink-0 place-items-center rounded-sm border-2 border-ink"
          >
            <Plus aria-hidden />
          </button>
          <button
            type="button"
            aria-label={unit === 'L' ? 'Litres; change to US gallons' : 'US gallons; change to litres'}
            onClick={() => {
              setUnit(unit === 'L' ? 'gal' : 'L');
              forget();
            }}
            className="h-14 w-16 shrink-0 rounded-sm border-2 border-ink font-bold"
          >
            {unit}
          </button>
        </div>
        {problem && (
          <p id={`${id}-problem`} role="alert" className="mt-2 font-bold text-tomato">
            {problem}
          </p>
        )}
        <div className="mt-3 grid grid-cols-6 gap-2">
          {PRESETS.map((p) => (
            <button
              key={p}
              type="button"
              onClick={() => set(p)}
              aria-label={`${p} litres`}
              className="figures h-14 rounded-sm border-2 border-ink font-bold text-[20px]"
            >
              {p}
            </button>
          ))}
        </div>
      </div>
    </Sheet>
  );
}
