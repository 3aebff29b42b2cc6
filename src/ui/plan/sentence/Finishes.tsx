'use client';

import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import type { Finished, Held } from '../../../core/compare/beside/finished';
import { term } from '../../../core/message/term';
import { ORDER_BOUNDS } from '../../../core/order/bounds';
import type { Aim, Amendment, TimedOrder } from '../../../core/order/order';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { amountWords } from '../../../core/words/steps';
import { finishName, finishWords } from '../../order/finishWords';
import { HeldPart } from '../../order/HeldPart';
import { RadioRow } from '../../order/RadioRow';
import { amendmentOf } from '../../order/stores';
import { useOneByOne } from '../../order/useOneByOne';
import { Grade } from '../../shared/Grade';
import { type Say, useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';

type Props = {
  readonly order: TimedOrder;
  readonly written: Recipe;
  readonly aim: Aim;
  readonly setup: Setup;
  readonly currency: string;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

const GRADES = ['fits', 'with care', 'does not fit'] as const;

/** % of fat one tap makes the soup richer or leaner. */
const RICHER = 0.5;

/** What is poured or weighed of a finish: "2.1 L whole milk and 600 mL heavy cream". */
const finishDoses = ({ doses }: Finished, say: Say): string =>
  say('{doses}', {
    doses: {
      and: doses.map((d) => amountWords(d.ingredient, d.g, say.reader)),
    },
  });

/** What it does to the thickener: "305 g of plain flour, 7 g more". */
export function thickenerWords({ thickener }: Pick<Finished, 'thickener'>, say: Say): string {
  if (!thickener) return '';
  const more = Math.round(thickener.more);
  const values = {
    grams: { g: thickener.g },
    what: { within: term(thickener.name.split(',')[0] ?? thickener.name) },
    by: { g: Math.abs(more) },
  };
  if (more === 0) return say('{grams} {what}, as before', values);
  return more > 0 ? say('{grams} {what}, {by} more', values) : say('{grams} {what}, {by} less', values);
}

/** Every dairy the pot can be finished with, worked out in a worker one after another, with one thing held as it is. */
export function Finishes({ order, written, aim, setup, currency, onChange }: Props) {
  const say = useSay();
  const [held, setHeld] = useState<Held>('richness');
  // What was ordered when the list was opened is what the others are set beside; a tap does not ask anew.
  const [{ finish, finishMl }] = useState(order);
  const asked: Aim & Amendment = { ...amendmentOf(order), ...aim, finish, finishMl, rich: order.rich };
  const key = JSON.stringify([written.id, asked, held, setup.vessel.id, setup.burner.id]);
  const question = { recipe: written, order: asked, held, curved: false, setup };
  const { all: found, done } = useOneByOne('finish', key, question);
  // In the order they come, so that nothing jumps; the best first once all are there.
  const all = done
    ? found.toSorted((a, b) => GRADES.indexOf(a.fit.grade) - GRADES.indexOf(b.fit.grade))
    : found;
  const none = { finish: undefined, rich: undefined, finishMl: undefined };
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 border-rule border-b p-4">
        <HeldPart held={held} onChange={setHeld} />
        {order.rich !== undefined && <Rich rich={order.rich} onChange={onChange} />}
      </div>
      <div role="radiogroup" aria-label={say('Finished with')}>
        <RadioRow name="finish" on={!order.finish} id="written" onTake={() => onChange(none)}>
          <b>{say('as the recipe has it')}</b>
          <span className="block text-[15px]">
            {say(finishWords({ ...order, finish: undefined }, written))}
          </span>
        </RadioRow>
        {all.map((f) => (
          <FinishRow
            key={f.finish.id}
            of={f}
            on={f.finish.id === order.finish}
            currency={currency}
            onTake={() => onChange({ ...none, ...f.change })}
          />
        ))}
      </div>
      {!done && (
        <p role="status" className="p-4 text-quiet">
          {say('Simulating each …')}
        </p>
      )}
      {done && all.length === 0 && (
        <p className="p-4">
          {held === 'cost'
            ? say('No cost can be kept: prices are missing. They stand under Kitchen, Products.')
            : say('Nothing can be kept so: no dose is weighed in this recipe.')}
        </p>
      )}
    </>
  );
}

type RichProps = { readonly rich: number; readonly onChange: Props['onChange'] };

/** How rich it is to be, % fat. */
function Rich({ rich, onChange }: RichProps) {
  const say = useSay();
  const [least, most] = ORDER_BOUNDS.rich;
  const richer = (by: number) =>
    onChange({ rich: Math.min(most, Math.max(least, Math.round((rich + by) * 10) / 10)) });
  return (
    <span className="ml-auto flex items-center gap-2">
      <button type="button" className={BUTTON} aria-label={say('Leaner')} onClick={() => richer(-RICHER)}>
        <Minus aria-hidden />
      </button>
      <b className="figures min-w-24 text-center text-[24px]">
        {say('{rich} % fat', { rich: rich.toFixed(1) })}
      </b>
      <button type="button" className={BUTTON} aria-label={say('Richer')} onClick={() => richer(RICHER)}>
        <Plus aria-hidden />
      </button>
    </span>
  );
}

type RowProps = {
  readonly of: Finished;
  readonly on: boolean;
  readonly currency: string;
  readonly onTake: () => void;
};

function FinishRow({ of: f, on, currency, onTake }: RowProps) {
  const say = useSay();
  return (
    <RadioRow name="finish" on={on} id={f.finish.id} onTake={onTake} aside={<Grade fit={f.fit} plain />}>
      <b>{say('{name}', { name: { opening: finishName(f.finish) } })}</b>{' '}
      <span className="figures ml-2 font-bold">{finishDoses(f, say)}</span>
      <span className="block text-[15px]">
        {[
          thickenerWords(f, say),
          say('fat {fat} %', { fat: f.fatPercent.toFixed(1) }),
          say('salt {salt} %', { salt: f.saltPercent.toFixed(2) }),
          f.cost === null ? '' : `${currency}${f.cost.toFixed(2)}`,
          say(f.how),
        ]
          .filter(Boolean)
          .join(' · ')}
      </span>
      <span className="block text-[15px]">{f.fit.reasons.map((r) => say(r.says)).join(' ')}</span>
    </RadioRow>
  );
}
