'use client';

import { Trash2 } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import { BANDS, bandOf, middleOf } from '../../../core/flow/bands';
import { term } from '../../../core/message/term';
import { ORDER_BOUNDS } from '../../../core/order/bounds';
import { clockOf, litresOf, MOST_DRAWS, minutesOf, type Soup } from '../../../core/service/service';
import { askedVolume } from '../../../core/units/show';
import { addressOf } from '../../order/address';
import type { Stores } from '../../order/stores';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { HEAD_BUTTON } from '../../shared/styles';
import { useSay } from '../../shared/useSay';

type Props = {
  readonly soup: Soup;
  readonly stores: Stores;
  readonly covers: number | null;
  readonly started: boolean;
  /** Null takes it off. */
  readonly onChange: (to: Soup | null) => void;
};

/** Times as they are typed, one after the other: "11:45, 13:00"; null where they are not. */
export function drawsFrom(text: string, before: Soup['draws']): Soup['draws'] | null {
  const times = text
    .split(/[,;]|\band\b/)
    .map((t) => t.trim())
    .filter(Boolean)
    .map(minutesOf);
  if (times.length === 0 || times.length > MOST_DRAWS || times.some((t) => t === null)) return null;
  const at = times as number[];
  if (at.some((t, i) => i > 0 && t <= (at[i - 1] ?? 0))) return null;
  return at.map((t, i) => ({ at: t, part: before[i]?.part ?? 1 }));
}

/** One soup of a service. What cannot be stays as typed and is said; the service keeps what it had. */
export function SoupForm({ soup, stores, covers, started, onChange }: Props) {
  const say = useSay();
  const recipe = stores.recipes.find((r) => r.id === soup.order.recipeId);
  const byCovers = 'share' in soup.amount;
  const [low, high] = ORDER_BOUNDS.litres;
  const [amount, setAmount] = useState(
    'litres' in soup.amount ? String(soup.amount.litres) : String(Math.round(soup.amount.share * 100)),
  );
  const [times, setTimes] = useState(soup.draws.map((d) => clockOf(d.at)).join(', '));
  const figure = Number(amount);
  const amountFits = byCovers
    ? figure >= 1 && figure <= 100
    : amount.trim() !== '' && figure >= low && figure <= high;
  const { bandLimits } = stores.house.kitchen;
  const id = (what: string) => `soup-${soup.id}-${what}`;
  const litres = litresOf(soup, covers);
  return (
    <li className="grid grid-cols-[minmax(0,2fr)_repeat(4,minmax(0,1fr))_auto] items-end gap-x-3 gap-y-2 rounded-sm border-2 border-ink p-3 max-[900px]:grid-cols-2">
      <div className="min-w-0 self-center">
        <p className="truncate font-bold text-[19px]">{recipe?.name ?? soup.order.recipeId}</p>
        <p className="text-[15px] text-quiet">
          {started ? say('under way') : byCovers ? askedVolume(litres, say.reader) : ''}{' '}
          <Link
            className="underline"
            href={addressOf({ ...soup.order, litres, serveAt: clockOf(soup.draws[0]?.at ?? 0) })}
          >
            {say('open its plan')}
          </Link>
        </p>
      </div>
      <Field
        id={id('amount')}
        label={byCovers ? say('% of covers') : say('Litres')}
        inputMode="decimal"
        value={amount}
        disabled={started}
        problem={
          amountFits ? undefined : byCovers ? say('1 to 100 %') : say('{low} to {high} L', { low, high })
        }
        onChange={(e) => {
          const text = e.target.value;
          setAmount(text);
          const n = Number(text);
          if (byCovers && 'share' in soup.amount && n >= 1 && n <= 100)
            onChange({ ...soup, amount: { ...soup.amount, share: n / 100 } });
          if (!byCovers && text.trim() !== '' && n >= low && n <= high)
            onChange({ ...soup, amount: { litres: n } });
        }}
      />
      <Pick
        id={id('band')}
        label={say('How thick')}
        value={bandOf(soup.order.target, bandLimits)}
        disabled={started}
        onChange={(e) => {
          const band = BANDS.find((b) => b === e.target.value);
          if (band)
            onChange({ ...soup, order: { ...soup.order, target: Math.round(middleOf(band, bandLimits)) } });
        }}
      >
        {BANDS.map((b) => (
          <option key={b} value={b}>
            {say(term(b))}
          </option>
        ))}
      </Pick>
      <Field
        id={id('times')}
        label={say('On the pass')}
        value={times}
        disabled={started}
        problem={
          drawsFrom(times, soup.draws)
            ? undefined
            : say('times such as 11:45, 13:00, one after the other, {most} at most', { most: MOST_DRAWS })
        }
        onChange={(e) => {
          setTimes(e.target.value);
          const draws = drawsFrom(e.target.value, soup.draws);
          if (draws) onChange({ ...soup, draws });
        }}
      />
      <Pick
        id={id('role')}
        label={say('Whose')}
        value={soup.role ?? ''}
        onChange={(e) => onChange({ ...soup, role: e.target.value || undefined })}
      >
        <option value="">{say('anyone’s')}</option>
        {stores.house.roles.map((r) => (
          <option key={r} value={r}>
            {r}
          </option>
        ))}
      </Pick>
      <button
        type="button"
        disabled={started}
        onClick={() => onChange(null)}
        aria-label={say('Take {soup} off', { soup: recipe?.name ?? soup.id })}
        className={HEAD_BUTTON}
      >
        <Trash2 size={22} aria-hidden />
      </button>
      <div className="col-span-full flex flex-wrap gap-x-6">
        <Tick
          id={id('covers')}
          label={say('by covers, a ladle of {ml} mL', {
            ml: byCovers && 'share' in soup.amount ? soup.amount.ladleMl : 250,
          })}
          checked={byCovers}
          disabled={started}
          onChange={(e) => {
            const to = e.target.checked
              ? { share: 0.2, ladleMl: 250 }
              : { litres: Math.round(litres * 10) / 10 };
            setAmount('litres' in to ? String(to.litres) : '20');
            onChange({ ...soup, amount: to });
          }}
        />
        {soup.draws.length > 1 && (
          <Tick
            id={id('fresh')}
            label={say('cooked anew for each time')}
            checked={soup.fresh}
            disabled={started}
            onChange={(e) => onChange({ ...soup, fresh: e.target.checked })}
          />
        )}
      </div>
    </li>
  );
}
