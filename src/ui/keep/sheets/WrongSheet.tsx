'use client';

import { useState } from 'react';
import type { KeepBody, WhyThrown } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import type { House } from '../../../core/kitchen/house';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
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
export function WrongSheet({ house, state, why: first, onTake, onClose }: Props) {
  const say = useSay();
  const [what, setWhat] = useState('');
  const [why, setWhy] = useState<WhyThrown>(first);
  const [note, setNote] = useState('');
  const [litres, setLitres] = useState((state.ml / 1000).toFixed(1));
  const [problem, setProblem] = useState<{ field: string; says: string } | null>(null);
  const wrong = (field: string) => (problem?.field === field ? problem.says : undefined);
  const { costPerL, unpriced } = state.put;
  const l = typedNumber(litres);
  const throwAway = () => {
    // All of it, as it was shown, is all of it to the millilitre.
    const ml =
      litres === (state.ml / 1000).toFixed(1)
        ? state.ml
        : typeof l === 'number'
          ? Math.round(l * 1000)
          : Number.NaN;
    if (!(ml >= 1 && ml <= state.ml + 1))
      return setProblem({
        field: 'litres',
        says: say('“{litres}” cannot be: {left} are left.', { litres, left: { ml: state.ml } }),
      });
    onTake({
      kind: 'thrown away',
      ml,
      why,
      ...(note.trim() && { note: note.trim() }),
      ...(costPerL !== undefined && { cost: Math.round(costPerL * (ml / 10)) / 100 }),
    });
  };
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Something’s wrong')}>
      <div className="grid gap-6 p-4">
        <Form
          className="grid gap-3"
          onSubmit={() => {
            if (what.trim() === '') setProblem({ field: 'what', says: say('Write what was done.') });
            else onTake({ kind: 'put right', what: what.trim() });
          }}
        >
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
            <Field
              id="wrong-what"
              label={say('Otherwise')}
              value={what}
              maxLength={300}
              onChange={(e) => setWhat(e.target.value)}
              problem={wrong('what')}
            />
            <button type="submit" className={BUTTON}>
              {say('Write it down')}
            </button>
          </div>
        </Form>
        <Form className="grid gap-3 border-ink border-t-2 pt-4" onSubmit={throwAway}>
          <h2 className="font-bold text-[20px]">{say('Throw it away')}</h2>
          <div className="grid gap-3 min-[560px]:grid-cols-[1fr_9rem]">
            <Pick
              id="wrong-why"
              label={say('Why')}
              value={why}
              onChange={(e) => setWhy(e.target.value as WhyThrown)}
            >
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
              value={litres}
              onValue={setLitres}
              problem={wrong('litres')}
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
          <Field
            id="wrong-note"
            label={say('For the record')}
            value={note}
            maxLength={300}
            onChange={(e) => setNote(e.target.value)}
          />
          <button type="submit" className={`${PRIMARY} min-h-16`}>
            {say('Throw it away')}
          </button>
        </Form>
      </div>
    </Sheet>
  );
}
