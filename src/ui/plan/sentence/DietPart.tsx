'use client';

import { CircleX } from 'lucide-react';
import { useState } from 'react';
import { ingredient } from '../../../core/food/catalogue';
import { DIETS, type Diet } from '../../../core/food/diets';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { dietSwaps } from '../../../core/order/changes/dieted';
import type { TimedOrder } from '../../../core/order/order';
import type { Recipe } from '../../../core/recipe/recipe';
import { PART } from '../../shared/form/Choice';
import { Tick } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';

/** Whom the batch is for, in the sentence’s words. */
const guestWords = (diets: readonly Diet[]): Message =>
  diets.length === 0 ? message('for all') : message('{diets}', { diets: { and: diets.map((d) => term(d)) } });

const name = (id: string) => ({ within: term(ingredient(id).name.split(',')[0] ?? id) });

type Props = {
  readonly order: TimedOrder;
  readonly written: Recipe;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** What the batch is to be free of, what then stands in for what, and what cannot be. */
export function DietPart({ order, written, onChange }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const diets = order.diet ?? [];
  const words = say(guestWords(diets));
  const { swaps, left } = dietSwaps(written, diets);
  const toggle = (diet: Diet) => {
    const next = DIETS.filter((d) => (d === diet ? !diets.includes(d) : diets.includes(d)));
    onChange({ diet: next.length > 0 ? next : undefined });
  };
  return (
    <Sheet
      open={open}
      onOpenChange={setOpen}
      title={say('For whom')}
      trigger={words}
      label={say('Guests: {words}', { words })}
      triggerClass={PART}
    >
      <div className="grid gap-4 p-4">
        <fieldset className="grid grid-cols-2 gap-x-4">
          <legend className="mb-1 font-bold">{say('The whole batch is to be')}</legend>
          {DIETS.map((d) => (
            <Tick
              key={d}
              id={`diet-${d}`}
              label={say(term(d))}
              checked={diets.includes(d)}
              onChange={() => toggle(d)}
            />
          ))}
        </fieldset>
        {diets.length > 0 && swaps.length === 0 && left.length === 0 && (
          <p>{say('It is so as it is written.')}</p>
        )}
        {swaps.length > 0 && (
          <section>
            <h3 className="font-bold">{say('What stands in')}</h3>
            <ul className="mt-1 text-[19px]">
              {swaps.map(({ from, to }) => (
                <li key={from} className="border-rule border-b py-1 last:border-b-0">
                  {to
                    ? say.rich('<b>{to}</b> for {from}', {
                        b: (text) => <b>{text}</b>,
                        to: name(to),
                        from: name(from),
                      })
                    : say('{from} is left out', {
                        from: { opening: term(ingredient(from).name.split(',')[0] ?? from) },
                      })}
                </li>
              ))}
            </ul>
          </section>
        )}
        {left.length > 0 && (
          <p role="alert" className="flex items-start gap-2 font-bold text-tomato">
            <CircleX aria-hidden className="mt-0.5 shrink-0" />
            {say('Nothing stands in for {what}: this soup cannot be so.', {
              what: { and: left.map(name) },
            })}
          </p>
        )}
        <p className="text-[16px] text-quiet">
          {say(
            'By the catalogue and what your products say. Labels decide, and so do pots, spoons and boards used before: your local rules say how guests are told.',
          )}
        </p>
      </div>
    </Sheet>
  );
}
