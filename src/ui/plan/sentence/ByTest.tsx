'use client';

import { useId, useState } from 'react';
import { LADDER_RANGE } from '../../../core/flow/bands';
import { type FlowTest, type Placed, TEST_ERROR } from '../../../core/flow/readings/reading';
import { placeAlone } from '../../../core/flow/readings/repeated';
import { BOWL_CELSIUS } from '../../../core/flow/viscosity';
import type { HouseFunnel } from '../../../core/kitchen/house';
import { isMessage, type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { Told } from '../../../core/message/told';
import type { Plan } from '../../../core/plan/types';
import { mPas, spaced } from '../../../core/units/shown/format';
import { toCelsius, toFahrenheit } from '../../../core/units/temperature';
import { parseNumber } from '../../../core/units/typed/parse';
import { kindsFor, LINE_SPREAD, unitOf, wouldRead } from '../../shared/flowTests';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { FIELD, PRIMARY } from '../../shared/styles';

/** Where a reading stands in the planned soup; why not, when it cannot be read. */
function placed(test: FlowTest, reading: number, celsius: number, plan: Plan): Placed | Message {
  try {
    const found = placeAlone(test, [reading], celsius, plan.found.fatFraction, plan.setup.kitchen.bandLimits);
    return Number.isFinite(found.bowl) && found.bowl > 0 ? found : message('the test cannot give it');
  } catch (error) {
    if (error instanceof Told) return error.says;
    throw error;
  }
}

type Props = {
  readonly plan: Plan;
  readonly funnels: readonly HouseFunnel[];
  readonly onTarget: (viscosity: number) => void;
};

/** A test to aim by: which, how hot, what it should read, and where that lies; or why it cannot be. */
function useAim({ plan, funnels }: Omit<Props, 'onTarget'>) {
  const fahrenheit = useShow().temperature === 'F';
  // A syringe gives a level and no viscosity: nothing to aim by.
  const kinds = kindsFor(funnels).filter((k) => k.test !== null);
  const [kindId, setKindId] = useState<string | null>(null);
  const [typed, setTyped] = useState<string | null>(null);
  const [hot, setHot] = useState(String(Math.round(fahrenheit ? toFahrenheit(BOWL_CELSIUS) : BOWL_CELSIUS)));
  const celsius = fahrenheit ? toCelsius(parseNumber(hot)) : parseNumber(hot);
  const warm = celsius >= 1 && celsius <= 100;
  const reads = (k: (typeof kinds)[number], at: number) =>
    wouldRead(k, plan.aim.target, at, plan.found.equivalents);
  const kind =
    kinds.find((k) => k.id === kindId) ?? kinds.find((k) => reads(k, BOWL_CELSIUS) !== null) ?? LINE_SPREAD;
  const would = warm ? reads(kind, celsius) : null;
  const text = typed ?? would?.toFixed(1) ?? '';
  const reading = parseNumber(text);
  const answer =
    kind.test && warm && reading > 0 ? placed(kind.test, reading, celsius, plan) : message('write a number');
  const found = isMessage(answer) ? null : answer;
  const onLadder = found && found.bowl >= LADDER_RANGE[0] && found.bowl <= LADDER_RANGE[1];
  return {
    fahrenheit,
    kinds,
    kind,
    choose: (id: string) => {
      setKindId(id);
      setTyped(null);
    },
    text,
    setTyped,
    hot,
    setHot,
    warm,
    answer,
    found,
    onLadder,
  };
}
type Aiming = ReturnType<typeof useAim>;

/** Why it cannot be aimed at; null where it can. */
function useProblem({ fahrenheit, kind, text, hot, warm, answer, found, onLadder }: Aiming): string | null {
  const say = useSay();
  return !warm
    ? say(
        'Temperature: “{hot}” is not a number from {fahrenheit, select, yes {34 to 212 °F} other {1 to {at100}}}.',
        { at100: { celsius: 100 }, hot, fahrenheit: fahrenheit ? 'yes' : 'no' },
      )
    : !found
      ? text === ''
        ? say('This test cannot tell the plan’s target: take another, or write what it should read.')
        : say('Reading: “{text}” {unit} cannot be: {answer}.', {
            text,
            unit: unitOf(kind, say.reader),
            answer: isMessage(answer) ? answer : '',
          })
      : !onLadder
        ? say('{bowl} mPa·s is off the ladder, {ladderrange}.', {
            bowl: mPas(found.bowl),
            ladderrange: LADDER_RANGE.join(' to '),
          })
        : null;
}

/** A target by what a test should read: "18 s in the 4 mm cup". */
export function ByTest({ plan, funnels, onTarget }: Props) {
  const say = useSay();
  const id = useId();
  const aim = useAim({ plan, funnels });
  const { kind, kinds, found, onLadder } = aim;
  const problem = useProblem(aim);
  return (
    <form
      className="grid gap-4 p-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (found && onLadder) onTarget(Math.round(found.bowl));
      }}
    >
      <label className="block font-bold" htmlFor={`${id}-kind`}>
        {say('The test')}
        <select
          id={`${id}-kind`}
          value={kind.id}
          onChange={(e) => aim.choose(e.target.value)}
          className={`mt-2 font-normal ${FIELD}`}
        >
          {kinds.map((k) => (
            <option key={k.id} value={k.id}>
              {say.either(k.words)}
            </option>
          ))}
        </select>
      </label>
      <Figures id={id} aim={aim} />
      <Found id={id} aim={aim} problem={problem} />
      <button type="submit" className={PRIMARY} disabled={problem !== null}>
        {say('Aim for this')}
      </button>
    </form>
  );
}

type Part = { readonly id: string; readonly aim: Aiming };

function Figures({ id, aim: { kind, text, setTyped, hot, setHot, warm, found, fahrenheit } }: Part) {
  const say = useSay();
  return (
    <div className="grid grid-cols-2 gap-3">
      <label className="block font-bold" htmlFor={`${id}-reading`}>
        {say('Should read, {unit}', { unit: unitOf(kind, say.reader) })}
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
        {say('At, {fahrenheit, select, yes {°F} other {°C}}', { fahrenheit: fahrenheit ? 'yes' : 'no' })}
        <input
          id={`${id}-hot`}
          inputMode="decimal"
          value={hot}
          onChange={(e) => setHot(e.target.value)}
          aria-invalid={!warm}
          aria-describedby={`${id}-says`}
          className={`figures mt-2 text-right text-[32px] ${FIELD}`}
        />
      </label>
    </div>
  );
}

/** Where it lies and how good that is; or what is wrong. */
function Found({ id, aim: { kind, found }, problem }: Part & { readonly problem: string | null }) {
  const say = useSay();
  return (
    <p id={`${id}-says`} aria-live="polite" className={problem ? 'font-bold text-tomato' : ''}>
      {problem ??
        say.rich(
          '<b>{band}</b>, {mPas} mPa·s in the bowl. One careful reading is good to {test} %: {mPas2} to {mPas3}. It shears at {spaced} s⁻¹.',
          {
            b: (text) => <b>{text}</b>,
            band: found && term(found.band),
            mPas: mPas(found?.bowl ?? 0),
            test: Math.round((kind.test ? TEST_ERROR[kind.test.kind] : 0) * 100),
            mPas2: mPas(found?.range[0] ?? 0),
            mPas3: mPas(found?.range[1] ?? 0),
            spaced: spaced(found?.shearRate ?? 0, (found?.shearRate ?? 0) < 10 ? 1 : 0),
          },
        )}
    </p>
  );
}
