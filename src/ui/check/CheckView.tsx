'use client';

import { Timer } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { EventBody } from '../../core/batch/events';
import type { Batch } from '../../core/batch/record';
import type { Placed } from '../../core/flow/readings/reading';
import { placeAlone } from '../../core/flow/readings/repeated';
import { syringeLevel } from '../../core/flow/readings/syringe';
import { BOWL_CELSIUS } from '../../core/flow/viscosity';
import type { House } from '../../core/kitchen/house';
import { median } from '../../core/maths/median';
import type { Message } from '../../core/message/message';
import { saidBy } from '../../core/message/told';
import { spaced } from '../../core/units/shown/format';
import { toCelsius, toFahrenheit } from '../../core/units/temperature';
import { parseNumber, typedNumber } from '../../core/units/typed/parse';
import { ask, problemWords } from '../device/line/api';
import { kitchenNow } from '../device/line/clock';
import { useKeptPage } from '../frame/useKeptPage';
import { Scale, type ScaleMark } from '../shared/draw/Scale';
import { type FlowTestMethod, kindsFor, LINE_SPREAD, unitOf, wouldRead } from '../shared/flowTests';
import { useReally } from '../shared/hooks/useReally';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { BUTTON, PRIMARY } from '../shared/styles';
import { Kinds } from './Kinds';
import { Outcome, Readings } from './Outcome';
import { TypedReading } from './TypedReading';
import { useStopwatch } from './useStopwatch';
import { type TestedPot, useTestedPot } from './useTestedPot';
import { HowTo, Watch } from './Watch';

type Props = {
  readonly house: House;
  /** The pot the test is of; null when it is of none on the stove. */
  readonly batch: Batch | null;
  readonly pots: readonly { readonly id: string; readonly name: string }[];
};

/** How thick is it really: a test, a stop-watch, and where it stands. */
export function CheckView(props: Props) {
  useKeptPage();
  return props.batch ? <OfPot {...props} batch={props.batch} /> : <Check {...props} of={null} />;
}

function OfPot(props: Props & { batch: Batch }) {
  const of = useTestedPot(props.batch);
  return <Check {...props} of={of} key={of === null ? 'waiting' : 'live'} />;
}

function Check({ house, batch, pots, of }: Props & { of: TestedPot | null }) {
  const say = useSay();
  const show = useShow();
  const router = useRouter();
  const kinds = kindsFor(house.funnels);
  const limits = house.kitchen.bandLimits;
  const fahrenheit = show.temperature === 'F';
  const target = of?.target ?? null;
  const [kindId, setKindId] = useState<string | null>(null);
  const [readings, setReadings] = useState<readonly number[]>([]);
  const [typed, setTyped] = useState('');
  const [hot, setHot] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [armed, setArmed] = useState<number | null>(null);
  const [flows, setFlows] = useState(true);
  const { really, sheet: question } = useReally();

  const shownOf = of ? String(Math.round(fahrenheit ? toFahrenheit(of.celsius) : of.celsius)) : '';
  const hotText = hot ?? shownOf;
  const hotNumber = parseNumber(hotText);
  const celsius = fahrenheit ? toCelsius(hotNumber) : hotNumber;
  const warm = celsius >= 1 && celsius <= 100;
  const e = of?.equivalents ?? 40;
  const tells = (k: FlowTestMethod) => wouldRead(k, target ?? 150, warm ? celsius : BOWL_CELSIUS, e);
  const kind = kinds.find((k) => k.id === kindId) ?? kinds.find((k) => tells(k) !== null) ?? LINE_SPREAD;
  const should = target === null ? null : tells(kind);

  const take = (value: number | string) => {
    const [from, to] = kind.range;
    if (typeof value !== 'number' || value < from || value > to) {
      const given = typeof value === 'number' ? spaced(value, 1) : `“${value}”`;
      setProblem(
        say('{given} {unit} cannot be: {what} in this test is {from} to {to} {unit}.', {
          given,
          unit: unitOf(kind, show),
          what: { within: kind.reads },
          from: spaced(from, from < 1 ? 2 : 0),
          to: spaced(to),
        }),
      );
      return;
    }
    setProblem(null);
    setReadings((r) => [...r, Math.round(value * 100) / 100].slice(-9));
    setTyped('');
  };
  const press = () => {
    const took = watch.press();
    if (took !== null && kind.waits === null) take(took);
  };
  const watch = useStopwatch(kind.waits, () => press());
  // What the flow timer sends after it was armed is a reading like any other.
  const { flowTimer } = of ?? {};
  if (armed !== null && flowTimer?.at && flowTimer.at > armed && flowTimer.value !== null) {
    setArmed(null);
    take(flowTimer.value);
  }
  const arm = async () => {
    if (!flowTimer || !kind.test || !warm) return;
    setProblem(null);
    const at = kitchenNow();
    const answer = await ask('POST /api/devices/[id]/[verb]', {
      at: { id: flowTimer.id, verb: 'arm' },
      body: { test: kind.test, celsius },
    });
    if (answer.ok) setArmed(at);
    else setProblem(say(problemWords(answer.problems)));
  };

  const choose = (id: string) => {
    setKindId(id);
    setReadings([]);
    setTyped('');
    setProblem(null);
    watch.reset();
  };
  let found: Placed | null = null;
  let cannot: Message | string | null = null;
  if (readings.length > 0 && kind.test && warm) {
    try {
      found = placeAlone(kind.test, readings, celsius, of?.fat, limits);
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      cannot = saidBy(error);
    }
  }
  const level = kind.test === null && readings.length > 0 ? syringeLevel(median(readings), flows) : null;
  const marks: ScaleMark[] = [
    ...(target === null ? [] : [{ id: 't', words: say('target'), at: target, kind: 'target' } as const]),
    ...(found
      ? [{ id: 'm', words: say('measured'), at: found.bowl, range: found.range, kind: 'measured' } as const]
      : []),
  ];
  const keep = () => {
    if (!of || !warm) return;
    const body: EventBody = kind.test
      ? { kind: 'flow', test: kind.test, readings: [...readings], celsius }
      : { kind: 'syringe', mlLeft: median(readings), flows, celsius };
    really(of.asks(body), () => {
      of.write(body);
      router.push(`/stove/${batch?.id}`);
    });
  };

  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:grid min-[1100px]:grid-cols-[300px_1fr_330px] min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Check: how thick is it really')}</h1>
      {question}
      <Kinds
        kinds={kinds}
        kind={kind}
        target={target}
        tells={tells}
        onChoose={choose}
        pots={pots}
        batchId={batch?.id ?? null}
      />

      <section
        aria-label={say('Doing the test')}
        className="flex min-w-0 shrink-0 flex-col bg-surface px-5 py-3 min-[1100px]:overflow-y-auto"
      >
        <HowTo kind={kind} />
        <Watch kind={kind} seconds={watch.seconds} onPress={press} />
        <TypedReading
          kind={kind}
          fahrenheit={fahrenheit}
          hotText={hotText}
          wrongHot={!warm && !(hotText === '' && readings.length === 0)}
          onHot={setHot}
          typed={typed}
          onTyped={setTyped}
          onAdd={() => take(typedNumber(typed))}
          flows={flows}
          onFlows={setFlows}
        />
        {flowTimer && kind.test && kind.waits === null && (
          <button type="button" onClick={arm} disabled={armed !== null} className={`${BUTTON} mt-2`}>
            <Timer size={20} aria-hidden />
            {armed === null
              ? say('Let {name} time it', { name: flowTimer.name })
              : say('{name} is timing …', { name: flowTimer.name })}
          </button>
        )}
        {(problem ?? cannot) && (
          <p role="alert" className="mt-2 font-bold text-tomato">
            {problem ?? say.maybe(cannot ?? undefined)}
          </p>
        )}
      </section>

      <section
        aria-label={say('Where it stands')}
        className="flex min-h-0 shrink-0 flex-col border-ink bg-ground px-4 py-3 max-[1100px]:border-t-2 min-[1100px]:border-l-2"
      >
        <Outcome
          found={found}
          level={level}
          of={of}
          kind={kind}
          should={should}
          celsius={celsius}
          limits={limits}
        />
        <Readings
          kind={kind}
          readings={readings}
          onStrike={(n) => setReadings((all) => all.filter((_, m) => m !== n))}
        />
        <div className="mt-2 min-h-60 flex-1">
          <Scale limits={limits} marks={marks} label={say('Consistency in the bowl')} />
        </div>
        {of && (
          <button
            type="button"
            onClick={keep}
            disabled={readings.length === 0 || (!found && level === null)}
            className={`${PRIMARY} mt-3 min-h-18 text-[22px]`}
          >
            {say('Write it down')}
          </button>
        )}
      </section>
    </div>
  );
}
