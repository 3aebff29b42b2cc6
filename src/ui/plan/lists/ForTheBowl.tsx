'use client';

import { CircleX } from 'lucide-react';
import { useMemo, useState } from 'react';
import { ingredient } from '../../../core/food/catalogue';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { ORDER_BOUNDS } from '../../../core/order/bounds';
import { GARNISHES, MOST_GARNISHES, USUAL_LADLE } from '../../../core/order/changes/garnishes';
import type { TimedOrder } from '../../../core/order/order';
import { type GarnishLine, garnishOf } from '../../../core/plan/bowl/garnish';
import { garnishHow } from '../../../core/plan/bowl/garnishWords';
import type { Plan } from '../../../core/plan/types';
import { parseNumber } from '../../../core/units/typed/parse';
import { Tick } from '../../shared/form/Field';
import { MetricField } from '../../shared/form/MetricField';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';

type Props = {
  readonly plan: Plan;
  readonly order: TimedOrder;
  readonly house: House;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

const short = (id: string): string => ingredient(id).name.split(',')[0] ?? id;

/** What is held back from the pot and served on or in the soup: so much a portion, when, and what it does to the bowl. */
export function ForTheBowl({ plan, order, house, onChange }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const ids = order.garnish?.join(',') ?? '';
  const ladle = order.ladleMl ?? USUAL_LADLE;
  const lines = useMemo(() => garnishOf(plan, ids.split(','), ladle), [plan, ids, ladle]);
  const toggle = (id: (typeof GARNISHES)[number]['id']) => {
    const now: readonly string[] = order.garnish ?? [];
    const next = GARNISHES.map((g) => g.id).filter((g) => (g === id ? !now.includes(g) : now.includes(g)));
    onChange({ garnish: next.length > 0 ? next : undefined });
  };
  const full = (order.garnish?.length ?? 0) >= MOST_GARNISHES;
  return (
    <section aria-label={say('For the bowl')} className="mt-3 border-ink border-t-2 pt-2 pb-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h3 className="font-bold">
          {lines.length > 0
            ? say('For the bowl: {portions, plural, one {# portion} other {# portions}} of {ladle}', {
                portions: lines[0]?.portions ?? 0,
                ladle: { millilitres: ladle },
              })
            : say('For the bowl')}
        </h3>
        <Sheet
          open={open}
          onOpenChange={setOpen}
          title={say('For the bowl')}
          trigger={say('Choose the garnish')}
          triggerClass={BUTTON}
        >
          <div className="grid gap-4 p-4">
            <fieldset className="grid grid-cols-2 gap-x-4">
              <legend className="mb-1 font-bold">
                {say('Held back from the pot, {most} at most', { most: MOST_GARNISHES })}
              </legend>
              {GARNISHES.map((g) => {
                const on = order.garnish?.includes(g.id) ?? false;
                return (
                  <Tick
                    key={g.id}
                    id={`garnish-${g.id}`}
                    label={say(term(short(g.id)))}
                    checked={on}
                    disabled={full && !on}
                    onChange={() => toggle(g.id)}
                  />
                );
              })}
            </fieldset>
            <Ladle ladle={ladle} onLadle={(ladleMl) => onChange({ ladleMl })} />
          </div>
        </Sheet>
      </div>
      {lines.length > 0 && (
        <ul>
          {lines.map((l) => (
            <Line key={l.garnish.id} line={l} flagged={house.kitchen.flagged ?? []} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Line({ line: l, flagged }: { line: GarnishLine; flagged: readonly string[] }) {
  const say = useSay();
  const named = l.allergens.map((a) =>
    flagged.includes(a) ? { loud: term(a) } : message('{allergen}', { allergen: term(a) }),
  );
  return (
    <li className="flex items-baseline gap-3 border-rule border-b py-2 last:border-b-0">
      <span className="figures w-28 shrink-0 text-right font-bold text-[24px] leading-none">
        {say('{g}', { g: { g: l.raw } })}
      </span>
      <span className="min-w-0 flex-1 leading-tight">
        {say(term(l.name))}
        <span className="block text-[15px]">
          {say('{each} a portion, {how}.', {
            each: { g: l.each },
            how: garnishHow(l),
          })}
        </span>
        <span className="block text-[15px] text-quiet">
          {[
            l.raw > l.g * 1.02 ? say('{g} when it is cooked', { g: { g: l.g } }) : '',
            l.asPurchased > l.raw * 1.02 ? say('{g} untrimmed', { g: { g: l.asPurchased } }) : '',
            l.saltPercent >= 0.005
              ? say('{salt} % more salt in the bowl', { salt: l.saltPercent.toFixed(2) })
              : '',
            named.length > 0 ? say('contains {allergens}', { allergens: { and: named } }) : '',
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
        {l.breaks.length > 0 && (
          <span role="alert" className="flex items-center gap-2 font-bold text-tomato">
            <CircleX size={20} aria-hidden className="shrink-0" />
            {say('Breaks “{diets}”: leave it off.', { diets: { and: l.breaks.map((d) => term(d)) } })}
          </span>
        )}
      </span>
    </li>
  );
}

/** How large a portion is. */
function Ladle({ ladle, onLadle }: { ladle: number; onLadle: (ml: number | undefined) => void }) {
  const say = useSay();
  const [text, setText] = useState(String(ladle));
  const [least, most] = ORDER_BOUNDS.ladleMl;
  const ml = parseNumber(text);
  const possible = ml >= least && ml <= most;
  return (
    <div className="w-56">
      <MetricField
        id="garnish-ladle"
        words={message('A portion, {unit}')}
        what="jug"
        value={text}
        onValue={(metric) => {
          setText(metric);
          const next = parseNumber(metric);
          if (next >= least && next <= most) onLadle(next === USUAL_LADLE ? undefined : next);
        }}
        problem={
          possible
            ? undefined
            : say('“{text}” cannot be: a portion is {least} to {most}.', {
                text,
                least: { millilitres: least },
                most: { millilitres: most },
              })
        }
        className="figures text-right"
      />
    </div>
  );
}
