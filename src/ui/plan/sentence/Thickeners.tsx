'use client';

import { Check } from 'lucide-react';
import { useState } from 'react';
import { term } from '../../../core/message/term';
import { cannotBe, usualShare } from '../../../core/order/amended';
import type { Aim, Amendment, TimedOrder } from '../../../core/order/order';
import { AS_WRITTEN, WAYS } from '../../../core/order/ways';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { SHARES } from '../../order/address';
import { amendmentOf } from '../../order/stores';
import { useOneByOne } from '../../order/useOneByOne';
import { Segments } from '../../shared/form/Segments';
import { doseWords, Grade } from '../../shared/Grade';
import { useSay } from '../../shared/hooks/useSay';

type Props = {
  readonly order: TimedOrder;
  readonly written: Recipe;
  readonly aim: Aim;
  readonly setup: Setup;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** Every way of thickening this pot, worked out in a worker one after another. */
export function Thickeners({ order, written, aim, setup, onChange }: Props) {
  const say = useSay();
  const [share, setShare] = useState(order.share ?? usualShare(written));
  const { way: _chosen, ...rest } = amendmentOf(order);
  const asked: Aim & Amendment = { ...rest, ...aim, share };
  const key = JSON.stringify([written.id, asked, setup.vessel.id, setup.burner.id]);
  const { all } = useOneByOne('compare', key, { recipe: written, order: asked, setup });
  const chosen = order.way ?? AS_WRITTEN.id;
  const take = (id: string) =>
    onChange(id === AS_WRITTEN.id ? { way: undefined, share: undefined } : { way: id, share });
  const setPart = (next: number) => {
    setShare(next);
    if (order.way) onChange({ share: next });
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 border-rule border-b p-4">
        <span className="font-bold">{say('It does')}</span>
        <Segments
          label={say('Part of the thickening it does')}
          value={String(share)}
          onChange={(v) => setPart(Number(v))}
          options={SHARES.map((s) => ({ value: String(s), words: s === 1 ? say('all') : `${s * 100} %` }))}
        />
        <span className="text-quiet">
          {share < 1 ? say('of the thickening; the recipe’s own does the rest.') : say('of the thickening.')}
        </span>
      </div>
      <div role="radiogroup" aria-label={say('Thickened with')}>
        {all.map((c) => {
          const barred = c.way !== AS_WRITTEN && cannotBe(written, share) !== null;
          const on = c.way.id === chosen;
          return (
            <label
              key={c.way.id}
              htmlFor={`way-${c.way.id}`}
              className={`flex min-h-14 items-center gap-3 border-rule border-b px-4 py-2 last:border-b-0 has-focus-visible:bg-butter has-focus-visible:text-on-butter ${barred ? 'text-quiet' : 'cursor-pointer hover:bg-butter/25'}`}
            >
              <input
                type="radio"
                id={`way-${c.way.id}`}
                name="way"
                checked={on}
                disabled={barred}
                onChange={() => take(c.way.id)}
                className="sr-only"
              />
              <span className="w-6 shrink-0">{on && <Check size={22} aria-hidden />}</span>
              <span className="min-w-0 flex-1">
                <span className="font-bold">{say('{way}', { way: { opening: term(c.way.words) } })}</span>
                {!barred && <span className="figures ml-3">{doseWords(c, say)}</span>}
                <span className="block text-[15px]">
                  {c.fit.reasons
                    .slice(0, 3)
                    .map((r) => say(r.says))
                    .join(' ')}
                </span>
              </span>
              <Grade fit={c.fit} />
            </label>
          );
        })}
      </div>
      {all.length <= WAYS.length && <p className="p-4 text-quiet">{say('Simulating each …')}</p>}
    </>
  );
}
