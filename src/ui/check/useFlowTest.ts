import { useState } from 'react';
import { BOWL_CELSIUS } from '../../core/flow/viscosity';
import type { HouseFunnel } from '../../core/kitchen/house';
import { spaced } from '../../core/units/shown/format';
import { toCelsius, toFahrenheit } from '../../core/units/temperature';
import { parseNumber } from '../../core/units/typed/parse';
import { ask, problemWords } from '../device/line/api';
import { kitchenNow } from '../device/line/clock';
import { type FlowTestMethod, kindsFor, LINE_SPREAD, unitOf, wouldRead } from '../shared/flowTests';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { useStopwatch } from './useStopwatch';
import type { TestedPot } from './useTestedPot';

/** How hot the soup in the test is: as typed, else as the pot is; °C, and whether a soup is tested at that. */
function useHot(of: TestedPot | null) {
  const fahrenheit = useShow().temperature === 'F';
  const [typed, setHot] = useState<string | null>(null);
  const shown = of ? String(Math.round(fahrenheit ? toFahrenheit(of.celsius) : of.celsius)) : '';
  const hotText = typed ?? shown;
  const number = parseNumber(hotText);
  const celsius = fahrenheit ? toCelsius(number) : number;
  return { fahrenheit, hotText, setHot, celsius, warm: celsius >= 1 && celsius <= 100 };
}

/** Which test is made: as chosen, else the first that can tell this target. */
function useKind(funnels: readonly HouseFunnel[], of: TestedPot | null, celsius: number, warm: boolean) {
  const kinds = kindsFor(funnels);
  const [kindId, setKindId] = useState<string | null>(null);
  const target = of?.target ?? null;
  const tells = (k: FlowTestMethod) =>
    wouldRead(k, target ?? 150, warm ? celsius : BOWL_CELSIUS, of?.equivalents ?? 40);
  const kind = kinds.find((k) => k.id === kindId) ?? kinds.find((k) => tells(k) !== null) ?? LINE_SPREAD;
  return { kinds, kind, setKindId, target, tells, should: target === null ? null : tells(kind) };
}

/** Lets the paired flow timer time a run: what it sends after it was armed is a reading like any other. */
function useFlowTimer(
  of: TestedPot | null,
  kind: FlowTestMethod,
  celsius: number,
  onTimed: (seconds: number) => void,
) {
  const say = useSay();
  const [armed, setArmed] = useState<number | null>(null);
  const { flowTimer } = of ?? {};
  if (armed !== null && flowTimer?.at && flowTimer.at > armed && flowTimer.value !== null) {
    setArmed(null);
    onTimed(flowTimer.value);
  }
  /** Null, or why it would not. */
  const arm = async (): Promise<string | null> => {
    if (!flowTimer || !kind.test) return null;
    const at = kitchenNow();
    const answer = await ask('POST /api/devices/[id]/[verb]', {
      at: { id: flowTimer.id, verb: 'arm' },
      body: { test: kind.test, celsius },
    });
    if (!answer.ok) return say(problemWords(answer.problems));
    setArmed(at);
    return null;
  };
  return { flowTimer, armed: armed !== null, arm };
}

/** A flow test under way: which, how hot, its readings by watch, by hand and by timer, and what is wrong with the last. */
export function useFlowTest(funnels: readonly HouseFunnel[], of: TestedPot | null) {
  const say = useSay();
  const show = useShow();
  const hot = useHot(of);
  const chosen = useKind(funnels, of, hot.celsius, hot.warm);
  const { kind } = chosen;
  const [readings, setReadings] = useState<readonly number[]>([]);
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [flows, setFlows] = useState(true);
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
  const { flowTimer, armed, arm } = useFlowTimer(of, kind, hot.celsius, take);
  return {
    ...hot,
    ...chosen,
    readings,
    strike: (n: number) => setReadings((all) => all.filter((_, m) => m !== n)),
    typed,
    setTyped,
    problem,
    flows,
    setFlows,
    take,
    seconds: watch.seconds,
    press,
    flowTimer,
    armed,
    arm: async () => {
      if (!hot.warm) return;
      setProblem(null);
      setProblem(await arm());
    },
    choose: (id: string) => {
      chosen.setKindId(id);
      setReadings([]);
      setTyped('');
      setProblem(null);
      watch.reset();
    },
  };
}
export type FlowTestUnderWay = ReturnType<typeof useFlowTest>;
