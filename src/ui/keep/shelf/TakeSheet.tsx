'use client';

import { useState } from 'react';
import type { KeepBody } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import { message } from '../../../core/message/message';
import { typedNumber } from '../../../core/units/typed/parse';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';
import { Sheet } from '../../shared/Sheet';
import { BUTTON, PRIMARY } from '../../shared/styles';

type Props = {
  readonly state: LotState;
  readonly onTake: (body: KeepBody) => void;
  readonly onClose: () => void;
};

/** Some of it taken, or all. */
export function TakeSheet({ state, onTake, onClose }: Props) {
  const say = useSay();
  const [litres, setLitres] = useState('');
  const [problem, setProblem] = useState<string | undefined>();
  const unit = useUnits().of('litres');
  const near = [0.5, 1, 2, 4].map((n) => unit.inner(n)).filter((l) => l * 1000 < state.ml);
  const take = (l: number | string) => {
    const ml = typeof l === 'number' ? Math.round(l * 1000) : Number.NaN;
    if (!(ml >= 1 && ml <= state.ml + 1))
      return setProblem(
        say('“{litres}” cannot be: {left} are left.', { litres: String(litres), left: { ml: state.ml } }),
      );
    onTake({ kind: 'taken', ml: Math.min(ml, state.ml) });
  };
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Take some of it')}>
      <Form
        onSubmit={() => {
          take(typedNumber(litres));
        }}
      >
        <div className="grid grid-cols-2 gap-2 min-[560px]:grid-cols-4">
          {near.map((l) => (
            <button key={l} type="button" className={`${BUTTON} figures text-[22px]`} onClick={() => take(l)}>
              {say('{volume}', { volume: { ml: l * 1000 } })}
            </button>
          ))}
        </div>
        <div className="grid gap-3 min-[560px]:grid-cols-[1fr_auto] min-[560px]:items-start">
          <MetricField
            id="take-litres"
            words={message('Another amount, {unit}')}
            what="litres"
            value={litres}
            onValue={(metric) => {
              setLitres(metric);
              setProblem(undefined);
            }}
            problem={problem}
          />
          <button type="submit" className={`${BUTTON} min-[560px]:mt-7`}>
            {say('Take it')}
          </button>
        </div>
        <button
          type="button"
          className={`${PRIMARY} min-h-16 text-[20px]`}
          onClick={() => onTake({ kind: 'used up' })}
        >
          {say('All of it: {left}', { left: { ml: state.ml } })}
        </button>
      </Form>
    </Sheet>
  );
}
