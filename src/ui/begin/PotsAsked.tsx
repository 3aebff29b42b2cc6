'use client';

import { clsx } from 'clsx';
import { useState } from 'react';
import { FILL_LIMIT, rimVolume, type Vessel } from '../../core/heat/vessel';
import { COMMON_POTS, potOf, potOfWater } from '../../core/kitchen/begin';
import { OutOfRange } from '../../core/units/range';
import { typedNumber } from '../../core/units/typed/parse';
import { PotSection } from '../shared/draw/PotSection';
import { Field } from '../shared/form/Field';
import { Form } from '../shared/form/Form';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';
import { BIG, toggled } from './Chosen';

type Props = { readonly pots: readonly Vessel[]; readonly onPots: (pots: readonly Vessel[]) => void };

const MOST = Math.max(...COMMON_POTS.flatMap((p) => [p.diameterMm, p.heightMm]));

/** Common pots drawn to one scale, and any other by a ruler or by the water that fills it. */
export function PotsAsked({ pots, onPots }: Props) {
  const say = useSay();
  const own = pots.filter((p) => !COMMON_POTS.some((c) => c.id === p.id));
  return (
    <div className="grid gap-5">
      <ul className="grid grid-cols-2 gap-3 min-[720px]:grid-cols-4">
        {[...COMMON_POTS, ...own].map((pot) => {
          const on = pots.some((p) => p.id === pot.id);
          return (
            <li key={pot.id}>
              <button
                type="button"
                aria-pressed={on}
                onClick={() => onPots(toggled(pots, pot))}
                className={clsx(
                  BIG,
                  'flex w-full flex-col items-center text-center',
                  on ? 'bg-butter text-on-butter hover:bg-butter' : 'bg-surface',
                )}
              >
                <PotSection diameterMm={pot.diameterMm} heightMm={pot.heightMm} mostMm={MOST} />
                <b>{pot.name}</b>
                <span className="text-[16px]">
                  {say('up to {ml}', { ml: { ml: rimVolume(pot) * FILL_LIMIT } })}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      <AnotherPot pots={pots} onPots={onPots} />
    </div>
  );
}

/** Any other pot, by a ruler or by the water that fills it. */
function AnotherPot({ pots, onPots }: Props) {
  const say = useSay();
  const [by, setBy] = useState<'ruler' | 'water'>('ruler');
  const [first, setFirst] = useState('');
  const [high, setHigh] = useState('');
  const [problem, setProblem] = useState<string | undefined>();
  const add = () => {
    const [a, h] = [typedNumber(first), typedNumber(high)];
    if (typeof a !== 'number' || typeof h !== 'number')
      return setProblem(say('both are numbers, e.g. 32 and 26'));
    try {
      const pot = by === 'ruler' ? potOf(a * 10, h * 10) : potOfWater(a * 1000, h * 10);
      if (!pots.some((p) => p.id === pot.id)) onPots([...pots, pot]);
      setFirst('');
      setHigh('');
      setProblem(undefined);
    } catch (error) {
      if (!(error instanceof OutOfRange)) throw error;
      setProblem(say(error.says));
    }
  };
  return (
    <Form className="flex flex-wrap items-end gap-3" onSubmit={add}>
      <Segments
        label={say('Another pot')}
        value={by}
        onChange={setBy}
        options={[
          { value: 'ruler', words: say('By ruler') },
          { value: 'water', words: say('By water') },
        ]}
      />
      <Field
        id="begin-pot-first"
        label={by === 'ruler' ? say('Across inside, cm') : say('Water that fills it, kg')}
        inputMode="decimal"
        value={first}
        onChange={(e) => setFirst(e.target.value)}
        problem={problem}
      />
      <Field
        id="begin-pot-high"
        label={say('High inside, cm')}
        inputMode="decimal"
        value={high}
        onChange={(e) => setHigh(e.target.value)}
      />
      <button type="submit" className={BUTTON}>
        {say('Add it')}
      </button>
    </Form>
  );
}
