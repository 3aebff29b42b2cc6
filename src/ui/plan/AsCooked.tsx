'use client';

import { useMemo } from 'react';
import { ingredient } from '../../core/food/catalogue';
import { term } from '../../core/message/term';
import { freed } from '../../core/order/changes/freed';
import type { TimedOrder } from '../../core/order/order';
import type { Plan } from '../../core/plan/types';
import type { Recipe } from '../../core/recipe/recipe';
import { mPas } from '../../core/units/shown/format';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';

type Props = {
  readonly written: Recipe;
  readonly plan: Plan;
  readonly order: TimedOrder;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** Of a recipe that gives every amount: what it says of its thickener and liquid, what they have to be in this pot, and one tap between. */
export function AsCooked({ written, plan, order, onChange }: Props) {
  const say = useSay();
  const open = useMemo(() => freed(written), [written]);
  if (!open || order.way || (open.thickeners.length === 0 && !open.liquid)) return null;
  const times = plan.aim.litres / written.yieldLitres;
  const named = (id: string) => term(ingredient(id).name.split(',')[0] ?? id);
  const given = [...open.thickeners, ...(open.liquid ? [open.liquid] : [])].map(({ id, g }) => ({
    text: '{g} {what}',
    values: { g: { g: g * times }, what: { within: named(id) } },
  }));
  const needed = plan.weighOut.filter((l) => l.solved === 'thickness' || l.solved === 'volume');
  return (
    <p className="flex flex-wrap items-center gap-x-4 gap-y-1 pt-1.5 text-[18px] leading-tight">
      <span className="min-w-60 flex-1">
        {order.asWritten
          ? say('As written: {given}. In this pot that comes to {band}, {viscosity} mPa·s.', {
              given: { listed: given },
              band: term(plan.found.band),
              viscosity: mPas(plan.found.bowlViscosity),
            })
          : say('Written with {given}; for this pot it has to be {needed}.', {
              given: { listed: given },
              needed: {
                listed: needed.map((l) => ({
                  text: '{g} {what}',
                  values: { g: { g: l.g }, what: { within: named(l.ingredient) } },
                })),
              },
            })}
      </span>
      <button
        type="button"
        className={BUTTON}
        onClick={() => onChange({ asWritten: order.asWritten ? undefined : true })}
      >
        {order.asWritten ? say('Work out the dose') : say('Cook it as written')}
      </button>
    </p>
  );
}
