import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { House } from '../../../core/kitchen/house';
import type { WaterTested } from '../../../core/learn/waterTest';
import type { ReadUnit } from '../../../core/units/shown/here';
import { typedNumber } from '../../../core/units/typed/parse';
import { ask, problemWords } from '../../device/line/api';
import { useNow } from '../../device/useNow';
import { readRole } from '../../device/useRole';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';
import { type TypedWaterTest, useTypedWaterTest } from './useTypedWaterTest';
import type { Past } from './WaterTestParts';

export type Props = {
  readonly house: House;
  /** °C water boils at here. */
  readonly boils: number;
  readonly first: string;
  readonly past: readonly Past[];
};

/** A water test as it is sent: its readings are figures. */
const sentAs = (typed: TypedWaterTest) => ({
  id: typed.id,
  vesselId: typed.vesselId,
  burnerId: typed.burnerId,
  by: readRole(),
  readings: {
    by: typed.by,
    litres: typedNumber(typed.litres),
    startCelsius: typedNumber(typed.startCelsius),
    heatedTo: typedNumber(typed.heatedTo),
    heatMinutes: typedNumber(typed.heatMinutes),
    keptAt: typedNumber(typed.keptAt),
    keptMinutes: typedNumber(typed.keptMinutes),
    before: typedNumber(typed.before),
    after: typedNumber(typed.after),
  },
});

/** A water test under way: what is typed of it, its fields, what is wrong with them, and working it out. */
export function useWaterTest({ house, boils, first }: Pick<Props, 'house' | 'boils' | 'first'>) {
  const say = useSay();
  const router = useRouter();
  const now = useNow();
  const degrees = useUnits().of('celsius');
  const { typed, change, forget, begin } = useTypedWaterTest(first, house.burners[0]?.id ?? '');
  const [problems, setProblems] = useState<Readonly<Record<string, string>>>({});
  const [tested, setTested] = useState<WaterTested | null>(null);
  const [busy, setBusy] = useState(false);
  const field = (key: keyof TypedWaterTest & string) => ({
    value: String(typed[key] ?? ''),
    onChange: (e: { target: { value: string } }) => change({ [key]: e.target.value }),
    problem: problems[key],
    inputMode: 'decimal' as const,
    className: 'figures text-[24px] font-bold text-right',
  });
  const send = async () => {
    setProblems({});
    setBusy(true);
    const answer = await ask('POST /api/kitchen/water-tests', { body: sentAs(typed) });
    setBusy(false);
    if (answer.ok) {
      setTested(answer.body);
      forget();
      router.refresh();
      return;
    }
    const wrong = Object.fromEntries(
      answer.problems.map((p) => [p.field.replace(/^readings\./, ''), say(problemWords([p]))]),
    );
    setProblems(wrong);
    const [key] = Object.keys(wrong);
    if (key) document.getElementById(`w-${key}`)?.focus();
  };
  return {
    typed,
    change,
    begin,
    problems,
    tested,
    again: () => setTested(null),
    busy,
    send,
    now,
    vessel: house.vessels.find((v) => v.id === typed.vesselId),
    burner: house.burners.find((b) => b.id === typed.burnerId),
    /** The hottest it is worth heating to, written out. */
    most: degrees.text(Math.min(97, Math.floor(boils - 2))),
    field,
    /** The same of a figure that has a unit: typed in this station's, kept in metric ones. */
    measured: (key: keyof TypedWaterTest & string, what: ReadUnit) => {
      const { value, problem, className } = field(key);
      return { value, problem, className, what, onValue: (metric: string) => change({ [key]: metric }) };
    },
  };
}
export type WaterTestUnderWay = ReturnType<typeof useWaterTest>;
