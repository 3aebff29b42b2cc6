'use client';

import type { KeepBody, WhyThrown } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import type { House } from '../../../core/kitchen/house';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON, PRIMARY } from '../../shared/styles';

const WHY: readonly WhyThrown[] = [
  'past its date',
  'cooled too slowly',
  'too cold too long',
  'spoilt',
  'left over',
];

/** What is usually done about it, one tap each. */
const USUAL: readonly Message[] = [
  message('spread out thinner'),
  message('put into ice and stirred'),
  message('lid taken off'),
  message('bath turned up'),
  message('reheated and begun again'),
];

type Props = {
  readonly house: House;
  readonly state: LotState;
  readonly why: WhyThrown;
  readonly onTake: (body: KeepBody) => void;
  readonly onClose: () => void;
};

/** What was not right: what was done about it, or that it goes. */
export function WrongSheet({ house, state, why, onTake, onClose }: Props) {
  const say = useSay();
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Something’s wrong')}>
      <div className="grid gap-6 p-4">
        <PutRight onTake={onTake} />
        <ThrownAway house={house} state={state} why={why} onTake={onTake} />
      </div>
    </Sheet>
  );
}

function PutRight({ onTake }: { readonly onTake: Props['onTake'] }) {
  const say = useSay();
  const f = useTyped(
    { what: '' },
    ({ what }) => what.trim() || new Wrong('what', say('Write what was done.')),
    (what) => onTake({ kind: 'put right', what }),
  );
  return (
    <Form className="grid gap-3" onSubmit={f.send}>
      <h2 className="font-bold text-[20px]">{say('It was put right')}</h2>
      <div className="flex flex-wrap gap-2">
        {USUAL.map((u) => (
          <button
            key={u.text}
            type="button"
            className={BUTTON}
            onClick={() => onTake({ kind: 'put right', what: say(u) })}
          >
            {say(u)}
          </button>
        ))}
      </div>
      <div className="grid gap-3 min-[560px]:grid-cols-[1fr_auto] min-[560px]:items-end">
        <Field id="wrong-what" label={say('Otherwise')} maxLength={300} {...f.field('what')} />
        <button type="submit" className={BUTTON}>
          {say('Write it down')}
        </button>
      </div>
    </Form>
  );
}

function ThrownAway({ house, state, why: first, onTake }: Omit<Props, 'onClose'>) {
  const say = useSay();
  const { costPerL, unpriced } = state.put;
  const shown = (state.ml / 1000).toFixed(1);
  const f = useTyped(
    { why: first, litres: shown, note: '' },
    ({ why, litres, note }) => {
      const l = typedNumber(litres);
      // All of it, as it was shown, is all of it to the millilitre.
      const ml = litres === shown ? state.ml : typeof l === 'number' ? Math.round(l * 1000) : Number.NaN;
      if (!(ml >= 1 && ml <= state.ml + 1))
        return new Wrong(
          'litres',
          say('“{litres}” cannot be: {left} are left.', { litres, left: { ml: state.ml } }),
        );
      return {
        kind: 'thrown away' as const,
        ml,
        why,
        ...(note.trim() && { note: note.trim() }),
        ...(costPerL !== undefined && { cost: Math.round(costPerL * (ml / 10)) / 100 }),
      };
    },
    onTake,
  );
  const l = typedNumber(f.typed.litres);
  return (
    <Form className="grid gap-3 border-ink border-t-2 pt-4" onSubmit={f.send}>
      <h2 className="font-bold text-[20px]">{say('Throw it away')}</h2>
      <div className="grid gap-3 min-[560px]:grid-cols-[1fr_9rem]">
        <Pick id="wrong-why" label={say('Why')} {...f.field('why')}>
          {WHY.map((w) => (
            <option key={w} value={w}>
              {say(term(w))}
            </option>
          ))}
        </Pick>
        <MetricField
          id="wrong-litres"
          words={message('How much, {unit}')}
          what="litres"
          {...f.metric('litres')}
          hint={
            costPerL !== undefined && typeof l === 'number'
              ? say(
                  'cost {currency}{cost}{unpriced, plural, =0 {} one {, without one thing that has no price} other {, without # things that have no price}}',
                  {
                    currency: house.currency,
                    cost: (costPerL * l).toFixed(2),
                    unpriced: unpriced ?? 0,
                  },
                )
              : undefined
          }
        />
      </div>
      <Field id="wrong-note" label={say('For the record')} maxLength={300} {...f.field('note')} />
      <button type="submit" className={`${PRIMARY} min-h-16`}>
        {say('Throw it away')}
      </button>
    </Form>
  );
}
