'use client';

import { useId, useState } from 'react';
import { LADDER_RANGE } from '../../core/flow/bands';
import { type FlowTest, type Placed, place, readingFor, TEST_ERROR } from '../../core/flow/tests/reading';
import { equivalentsFor } from '../../core/flow/viscosity';
import type { Plan } from '../../core/plan/types';
import { mPas, spaced } from '../../core/units/format';
import { parseNumber } from '../../core/units/parse';
import { FIELD, PRIMARY } from '../shared/styles';

type Kind = { readonly id: string; readonly words: string; readonly unit: string; readonly test: FlowTest };

const FALLBACK: Kind = {
  id: 'line-100',
  words: 'Line spread, 100 mL ring, 30 s',
  unit: 'mm radius',
  test: { kind: 'line spread', ml: 100, seconds: 30 },
};

const KINDS: readonly Kind[] = [
  ...([3, 4, 5, 6] as const).map((orifice) => ({
    id: `cup-${orifice}`,
    words: `Flow cup, ${orifice} mm`,
    unit: 's',
    test: { kind: 'cup', orifice } as const,
  })),
  FALLBACK,
  {
    id: 'spoon',
    words: 'Weighed spoon, 45 × 65 mm, 10 s',
    unit: 'g left',
    test: { kind: 'spoon', widthMm: 45, heightMm: 65, seconds: 10 },
  },
];

/** What a test would read for the plan's target; null when it is outside what the test can tell. */
function wouldRead(test: FlowTest, celsius: number, plan: Plan): number | null {
  try {
    const reading = readingFor(test, plan.order.viscosity, celsius, plan.found.equivalents);
    return Number.isFinite(reading) ? reading : null;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** Rounds to find how shear-thinning a soup of that thickness is: it hardly moves after the third. */
const ROUNDS = 5;

/** Where a reading stands, with the shear thinning of a soup that thick; why not, when it cannot be read. */
function placed(test: FlowTest, reading: number, celsius: number, plan: Plan): Placed | string {
  const { bandLimits } = plan.stand.kitchen;
  let e = plan.found.equivalents;
  try {
    let found = place(test, reading, celsius, e, bandLimits);
    for (let i = 0; i < ROUNDS; i++) {
      e = equivalentsFor(found.bowl, plan.found.fatFraction);
      found = place(test, reading, celsius, e, bandLimits);
    }
    return Number.isFinite(found.bowl) && found.bowl > 0 ? found : 'the test cannot give it';
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
}

/** A target by what a test should read: "18 s in the 4 mm cup". */
export function ByTest({ plan, onTarget }: { plan: Plan; onTarget: (viscosity: number) => void }) {
  const [kind, setKind] = useState<Kind>(
    () => KINDS.find((k) => wouldRead(k.test, 65, plan) !== null) ?? FALLBACK,
  );
  const [typed, setTyped] = useState<string | null>(null);
  const [celsius, setCelsius] = useState('65');
  const id = useId();
  const hot = parseNumber(celsius);
  const warm = hot >= 1 && hot <= 100;
  const would = warm ? wouldRead(kind.test, hot, plan) : null;
  const text = typed ?? would?.toFixed(1) ?? '';
  const reading = parseNumber(text);
  const answer = warm && reading > 0 ? placed(kind.test, reading, hot, plan) : 'write a number';
  const found = typeof answer === 'string' ? null : answer;
  const onLadder = found && found.bowl >= LADDER_RANGE[0] && found.bowl <= LADDER_RANGE[1];
  const problem = !warm
    ? `Temperature: “${celsius}” is not a number from 1 to 100 °C.`
    : !found
      ? text === ''
        ? 'This test cannot tell the plan’s target: take another, or write what it should read.'
        : `Reading: “${text}” ${kind.unit} cannot be: ${String(answer)}.`
      : !onLadder
        ? `${mPas(found.bowl)} mPa·s is off the ladder, ${LADDER_RANGE.join(' to ')}.`
        : null;
  return (
    <form
      className="grid gap-4 p-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (found && onLadder) onTarget(Math.round(found.bowl));
      }}
    >
      <label className="block font-bold" htmlFor={`${id}-kind`}>
        The test
        <select
          id={`${id}-kind`}
          value={kind.id}
          onChange={(e) => {
            setKind(KINDS.find((k) => k.id === e.target.value) ?? kind);
            setTyped(null);
          }}
          className={`mt-2 font-normal ${FIELD}`}
        >
          {KINDS.map((k) => (
            <option key={k.id} value={k.id}>
              {k.words}
            </option>
          ))}
        </select>
      </label>
      <div className="grid grid-cols-2 gap-3">
        <label className="block font-bold" htmlFor={`${id}-reading`}>
          Should read, {kind.unit}
          <input
            id={`${id}-reading`}
            inputMode="decimal"
            value={text}
            onChange={(e) => setTyped(e.target.value)}
            aria-invalid={warm && !found}
            aria-describedby={`${id}-says`}
            className={`figures mt-2 text-right text-[32px] ${FIELD}`}
          />
        </label>
        <label className="block font-bold" htmlFor={`${id}-hot`}>
          At, °C
          <input
            id={`${id}-hot`}
            inputMode="decimal"
            value={celsius}
            onChange={(e) => setCelsius(e.target.value)}
            aria-invalid={!warm}
            aria-describedby={`${id}-says`}
            className={`figures mt-2 text-right text-[32px] ${FIELD}`}
          />
        </label>
      </div>
      <p id={`${id}-says`} aria-live="polite" className={problem ? 'font-bold text-tomato' : ''}>
        {problem ?? (
          <>
            <b>{found?.band}</b>, {mPas(found?.bowl ?? 0)} mPa·s in the bowl. One careful reading is good to{' '}
            {Math.round(TEST_ERROR[kind.test.kind] * 100)} %: {mPas(found?.range[0] ?? 0)} to{' '}
            {mPas(found?.range[1] ?? 0)}. It shears at{' '}
            {spaced(found?.shearRate ?? 0, (found?.shearRate ?? 0) < 10 ? 1 : 0)} s⁻¹.
          </>
        )}
      </p>
      <button type="submit" className={PRIMARY} disabled={problem !== null}>
        Aim for this
      </button>
    </form>
  );
}
