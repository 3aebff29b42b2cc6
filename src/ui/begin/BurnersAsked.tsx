'use client';

import { clsx } from 'clsx';
import { useState } from 'react';
import type { Burner, BurnerKind } from '../../core/heat/burner';
import { burnerOf, COMMON_BURNERS } from '../../core/kitchen/begin';
import { type Message, message } from '../../core/message/message';
import { OutOfRange } from '../../core/units/range';
import { typedNumber } from '../../core/units/typed/parse';
import { Field } from '../shared/form/Field';
import { Form } from '../shared/form/Form';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';
import { BIG, toggled } from './Chosen';

const KINDS: { readonly [K in BurnerKind]: Message } = {
  gas: message('Gas'),
  electric: message('Electric plate'),
  induction: message('Induction'),
};

type Props = {
  readonly burners: readonly Burner[];
  readonly onBurners: (burners: readonly Burner[]) => void;
};

/** Common burners by kind and size, and any other by the diameter of its plate. */
export function BurnersAsked({ burners, onBurners }: Props) {
  const say = useSay();
  const [kind, setKind] = useState<BurnerKind>('gas');
  const [across, setAcross] = useState('');
  const [problem, setProblem] = useState<string | undefined>();
  const own = burners.filter((b) => !COMMON_BURNERS.some((c) => c.id === b.id));
  const add = () => {
    const cm = typedNumber(across);
    if (typeof cm !== 'number') return setProblem(say('a number, e.g. 18'));
    try {
      const burner = burnerOf(kind, cm);
      if (!burners.some((b) => b.id === burner.id)) onBurners([...burners, burner]);
      setAcross('');
      setProblem(undefined);
    } catch (error) {
      if (!(error instanceof OutOfRange)) throw error;
      setProblem(say(error.says));
    }
  };
  return (
    <div className="grid gap-5">
      <ul className="grid grid-cols-2 gap-3 min-[720px]:grid-cols-4">
        {[...COMMON_BURNERS, ...own].map((b) => {
          const on = burners.some((o) => o.id === b.id);
          return (
            <li key={b.id}>
              <button
                type="button"
                aria-pressed={on}
                onClick={() => onBurners(toggled(burners, b))}
                className={clsx(
                  BIG,
                  'w-full',
                  on ? 'bg-butter text-on-butter hover:bg-butter' : 'bg-surface',
                )}
              >
                <b>{say('{kind}, {cm} cm', { kind: KINDS[b.kind], cm: /[\d.]+/.exec(b.name)?.[0] ?? '' })}</b>
                <span className="block text-[16px]">{say('{kw} kW', { kw: b.powerW / 1000 })}</span>
              </button>
            </li>
          );
        })}
      </ul>
      <Form className="flex flex-wrap items-end gap-3" onSubmit={add}>
        <Segments
          label={say('Another burner')}
          value={kind}
          onChange={setKind}
          options={(['gas', 'electric', 'induction'] as const).map((k) => ({
            value: k,
            words: say(KINDS[k]),
          }))}
        />
        <Field
          id="begin-plate"
          label={say('Plate or ring across, cm')}
          inputMode="decimal"
          value={across}
          onChange={(e) => setAcross(e.target.value)}
          problem={problem}
        />
        <button type="submit" className={BUTTON}>
          {say('Add it')}
        </button>
      </Form>
    </div>
  );
}
