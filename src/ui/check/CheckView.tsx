'use client';

import { Timer } from 'lucide-react';
import { useRouter } from 'next/navigation';
import type { EventBody } from '../../core/batch/events';
import type { Batch } from '../../core/batch/record';
import type { BandLimits } from '../../core/flow/bands';
import type { Placed } from '../../core/flow/readings/reading';
import { placeAlone } from '../../core/flow/readings/repeated';
import { syringeLevel } from '../../core/flow/readings/syringe';
import type { House } from '../../core/kitchen/house';
import { median } from '../../core/maths/median';
import type { Message } from '../../core/message/message';
import { saidBy } from '../../core/message/told';
import { typedNumber } from '../../core/units/typed/parse';
import { useKeptPage } from '../frame/useKeptPage';
import { Scale, type ScaleMark } from '../shared/draw/Scale';
import { useReally } from '../shared/hooks/useReally';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../shared/styles';
import { Kinds } from './Kinds';
import { Outcome, Readings } from './Outcome';
import { TypedReading } from './TypedReading';
import { type FlowTestUnderWay, useFlowTest } from './useFlowTest';
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

/** Where its readings put a soup; or why they cannot. */
function placed(test: FlowTestUnderWay, of: TestedPot | null, limits: BandLimits) {
  const { kind, readings, celsius, warm } = test;
  if (readings.length === 0 || !kind.test || !warm) return { found: null, cannot: null };
  try {
    return { found: placeAlone(kind.test, readings, celsius, of?.fat, limits), cannot: null };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { found: null, cannot: saidBy(error) };
  }
}

function Check({ house, batch, pots, of }: Props & { of: TestedPot | null }) {
  const say = useSay();
  const test = useFlowTest(house.funnels, of);
  const limits = house.kitchen.bandLimits;
  const { found, cannot } = placed(test, of, limits);
  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:grid min-[1100px]:grid-cols-[300px_1fr_330px] min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Check: how thick is it really')}</h1>
      <Kinds
        kinds={test.kinds}
        kind={test.kind}
        target={test.target}
        tells={test.tells}
        onChoose={test.choose}
        pots={pots}
        batchId={batch?.id ?? null}
      />
      <Doing test={test} cannot={cannot} />
      <Standing test={test} of={of} found={found} limits={limits} batchId={batch?.id} />
    </div>
  );
}

type Doing = { readonly test: FlowTestUnderWay; readonly cannot: Message | string | null };

/** How the test is done, its watch, and readings by hand or by the flow timer. */
function Doing({ test, cannot }: Doing) {
  const say = useSay();
  const { kind, flowTimer, armed, hotText, typed, problem } = test;
  return (
    <section
      aria-label={say('Doing the test')}
      className="flex min-w-0 shrink-0 flex-col bg-surface px-5 py-3 min-[1100px]:overflow-y-auto"
    >
      <HowTo kind={kind} />
      <Watch kind={kind} seconds={test.seconds} onPress={test.press} />
      <TypedReading
        kind={kind}
        fahrenheit={test.fahrenheit}
        hotText={hotText}
        wrongHot={!test.warm && !(hotText === '' && test.readings.length === 0)}
        onHot={test.setHot}
        typed={typed}
        onTyped={test.setTyped}
        onAdd={() => test.take(typedNumber(typed))}
        flows={test.flows}
        onFlows={test.setFlows}
      />
      {flowTimer && kind.test && kind.waits === null && (
        <button type="button" onClick={test.arm} disabled={armed} className={`${BUTTON} mt-2`}>
          <Timer size={20} aria-hidden />
          {armed
            ? say('{name} is timing …', { name: flowTimer.name })
            : say('Let {name} time it', { name: flowTimer.name })}
        </button>
      )}
      {(problem ?? cannot) && (
        <p role="alert" className="mt-2 font-bold text-tomato">
          {problem ?? say.maybe(cannot ?? undefined)}
        </p>
      )}
    </section>
  );
}

type Standing = {
  readonly test: FlowTestUnderWay;
  readonly of: TestedPot | null;
  readonly found: Placed | null;
  readonly limits: BandLimits;
  readonly batchId: string | undefined;
};

/** Where the readings put the soup, and how they are written down. */
function Standing({ test, of, found, limits, batchId }: Standing) {
  const say = useSay();
  const router = useRouter();
  const { really, sheet: question } = useReally();
  const { kind, readings, celsius, flows, target } = test;
  const level = kind.test === null && readings.length > 0 ? syringeLevel(median(readings), flows) : null;
  const marks: ScaleMark[] = [
    ...(target === null ? [] : [{ id: 't', words: say('target'), at: target, kind: 'target' } as const]),
    ...(found
      ? [{ id: 'm', words: say('measured'), at: found.bowl, range: found.range, kind: 'measured' } as const]
      : []),
  ];
  const keep = () => {
    if (!of || !test.warm) return;
    const body: EventBody = kind.test
      ? { kind: 'flow', test: kind.test, readings: [...readings], celsius }
      : { kind: 'syringe', mlLeft: median(readings), flows, celsius };
    really(of.asks(body), () => {
      of.write(body);
      router.push(`/stove/${batchId}`);
    });
  };
  return (
    <section
      aria-label={say('Where it stands')}
      className="flex min-h-0 shrink-0 flex-col border-ink bg-ground px-4 py-3 max-[1100px]:border-t-2 min-[1100px]:border-l-2"
    >
      {question}
      <Outcome
        found={found}
        level={level}
        of={of}
        kind={kind}
        should={test.should}
        celsius={celsius}
        limits={limits}
      />
      <Readings kind={kind} readings={readings} onStrike={test.strike} />
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
  );
}
