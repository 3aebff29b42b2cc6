'use client';

import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { BANDS, bandOf, middleOf } from '../../../core/flow/bands';
import { message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { ORDER_BOUNDS } from '../../../core/order/bounds';
import { MOST_DRAWS } from '../../../core/service/bounds';
import { clockOf, litresOf, minutesOf, type Soup } from '../../../core/service/service';
import { askedVolume } from '../../../core/units/shown/show';
import { addressOf } from '../../order/address';
import type { Stores } from '../../order/stores';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { MetricField } from '../../shared/form/MetricField';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { HEAD_BUTTON } from '../../shared/styles';

type Props = {
  readonly soup: Soup;
  readonly stores: Stores;
  readonly covers: number | null;
  readonly started: boolean;
  /** Null takes it off. */
  readonly onChange: (to: Soup | null) => void;
};

/**
 * Times as they are typed, one after the other, with their litres or without: "11:45, 13:00", "11:30 8 L, 13:00 4
 * L"; null where they are not.
 */
function drawsFrom(text: string): { readonly draws: Soup['draws']; readonly litres: number | null } | null {
  const read = text
    .split(/[,;]|\band\b/)
    .map((t) => t.trim())
    .filter(Boolean)
    .map((t) => {
      const m = /^(\d{1,2}:\d{2})(?:\s+(\d+(?:\.\d+)?)\s*L?)?$/i.exec(t);
      const at = minutesOf(m?.[1] ?? '');
      return at === null ? null : { at, part: m?.[2] === undefined ? null : Number(m[2]) };
    });
  if (read.length === 0 || read.length > MOST_DRAWS) return null;
  const draws: { at: number; part: number | null }[] = [];
  for (const one of read) {
    if (!one || one.at <= (draws.at(-1)?.at ?? -1) || one.part === 0) return null;
    draws.push(one);
  }
  const parts = draws.map((d) => d.part);
  if (parts.some((p) => p === null) && parts.some((p) => p !== null)) return null;
  return {
    draws: draws.map((d) => ({ at: d.at, part: d.part ?? 1 })),
    litres: parts.reduce<number | null>((sum, p) => (p === null ? sum : (sum ?? 0) + p), null),
  };
}

/** Times as they would be typed: with their litres where those differ. */
function drawsWords({ draws }: Pick<Soup, 'draws'>, litres: number): string {
  const parts = draws.reduce((sum, d) => sum + d.part, 0);
  const alike = draws.every((d) => d.part === draws[0]?.part);
  return draws
    .map((d) => `${clockOf(d.at)}${alike ? '' : ` ${Math.round((litres * d.part * 10) / parts) / 10} L`}`)
    .join(', ');
}

/** How large a ladle is; what cannot be stays as typed. */
function Ladle({ id, ml, onMl }: { id: string; ml: number; onMl: (ml: number) => void }) {
  const say = useSay();
  const [text, setText] = useState(String(ml));
  const [low, high] = ORDER_BOUNDS.ladleMl;
  const fits = (typed: string) => Number(typed) >= low && Number(typed) <= high;
  return (
    <MetricField
      id={id}
      words={message('A ladle, {unit}')}
      what="jug"
      value={text}
      problem={
        fits(text)
          ? undefined
          : say('{low} to {high}', { low: { millilitres: low }, high: { millilitres: high } })
      }
      onValue={(typed) => {
        setText(typed);
        if (fits(typed)) onMl(Math.round(Number(typed)));
      }}
    />
  );
}

/** One soup of a service. What cannot be stays as typed and is said; the service keeps what it had. */
export function SoupForm(props: Props) {
  const { soup, stores, covers, started, onChange } = props;
  const say = useSay();
  const recipe = stores.recipes.find((r) => r.id === soup.order.recipeId);
  const byCovers = 'share' in soup.amount;
  const litres = litresOf(soup, covers);
  // As typed: in litres, or in per cent of the covers.
  const [amount, setAmount] = useState(
    'litres' in soup.amount ? String(soup.amount.litres) : String(Math.round(soup.amount.share * 100)),
  );
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
      <HowMuch {...props} amount={amount} onAmount={setAmount} />
      <HowThick {...props} />
      <Times {...props} onAmount={setAmount} />
      <Whose {...props} />
      <button
        type="button"
        disabled={started}
        onClick={() => onChange(null)}
        aria-label={say('Take {soup} off', { soup: recipe?.name ?? soup.id })}
        className={HEAD_BUTTON}
      >
        <Trash2 size={22} aria-hidden />
      </button>
      <ByCovers {...props} onAmount={setAmount} />
    </li>
  );
}

const idOf = ({ id }: Soup, what: string): string => `soup-${id}-${what}`;
const [LOW, HIGH] = ORDER_BOUNDS.litres;

type Amount = { readonly onAmount: (typed: string) => void };

function HowMuch({
  soup,
  started,
  onChange,
  amount,
  onAmount,
}: Props & Amount & { readonly amount: string }) {
  const say = useSay();
  const byCovers = 'share' in soup.amount;
  const figure = Number(amount);
  const fits = byCovers
    ? figure >= 1 && figure <= 100
    : amount.trim() !== '' && figure >= LOW && figure <= HIGH;
  return (
    <MetricField
      key={byCovers ? 'covers' : 'litres'}
      id={idOf(soup, 'amount')}
      words={byCovers ? message('% of covers') : message('How much, {unit}')}
      what={byCovers ? 'percent' : 'litres'}
      value={amount}
      disabled={started}
      problem={
        fits
          ? undefined
          : byCovers
            ? say('1 to 100 %')
            : say('{low} to {high}', { low: { litres: LOW }, high: { litres: HIGH } })
      }
      onValue={(text) => {
        onAmount(text);
        const n = Number(text);
        if (byCovers && 'share' in soup.amount && n >= 1 && n <= 100)
          onChange({ ...soup, amount: { ...soup.amount, share: n / 100 } });
        if (!byCovers && text.trim() !== '' && n >= LOW && n <= HIGH)
          onChange({ ...soup, amount: { litres: n } });
      }}
    />
  );
}

function HowThick({ soup, stores, started, onChange }: Props) {
  const say = useSay();
  const { bandLimits } = stores.house.kitchen;
  return (
    <Pick
      id={idOf(soup, 'band')}
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
  );
}

/** When it is on the pass, with the litres of each time where those differ. */
function Times({ soup, covers, started, onChange, onAmount }: Props & Amount) {
  const say = useSay();
  const byCovers = 'share' in soup.amount;
  const [times, setTimes] = useState(drawsWords(soup, litresOf(soup, covers)));
  return (
    <Field
      id={idOf(soup, 'times')}
      label={say('On the pass')}
      value={times}
      disabled={started}
      problem={
        drawsFrom(times)
          ? undefined
          : say('times such as 11:45, 13:00 or 11:30 8 L, 13:00 4 L, one after the other, {most} at most', {
              most: MOST_DRAWS,
            })
      }
      onChange={(e) => {
        setTimes(e.target.value);
        const read = drawsFrom(e.target.value);
        if (!read) return;
        const inLitres = !byCovers && read.litres !== null && read.litres >= LOW && read.litres <= HIGH;
        if (inLitres) onAmount(String(read.litres));
        onChange({
          ...soup,
          draws: read.draws,
          ...(inLitres && read.litres !== null && { amount: { litres: read.litres } }),
        });
      }}
    />
  );
}

function Whose({ soup, stores, onChange }: Props) {
  const say = useSay();
  return (
    <Pick
      id={idOf(soup, 'role')}
      label={say('Who cooks it')}
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
  );
}

/** Whether its litres come of the covers, and whether it is cooked anew for each time. */
function ByCovers({ soup, covers, started, onChange, onAmount }: Props & Amount) {
  const say = useSay();
  const byCovers = 'share' in soup.amount;
  const litres = litresOf(soup, covers);
  return (
    <div className="col-span-full flex flex-wrap items-end gap-x-6">
      {'share' in soup.amount && (
        <div className="w-44">
          <Ladle
            id={idOf(soup, 'ladle')}
            ml={soup.amount.ladleMl}
            onMl={(ladleMl) =>
              'share' in soup.amount && onChange({ ...soup, amount: { ...soup.amount, ladleMl } })
            }
          />
        </div>
      )}
      <Tick
        id={idOf(soup, 'covers')}
        label={say('by covers')}
        checked={byCovers}
        disabled={started}
        onChange={(e) => {
          const to = e.target.checked
            ? { share: 0.2, ladleMl: 250 }
            : { litres: Math.round(litres * 10) / 10 };
          onAmount('litres' in to ? String(to.litres) : '20');
          onChange({ ...soup, amount: to });
        }}
      />
      {soup.draws.length > 1 && (
        <Tick
          id={idOf(soup, 'fresh')}
          label={say('cooked anew for each time')}
          checked={soup.fresh}
          disabled={started}
          onChange={(e) => onChange({ ...soup, fresh: e.target.checked })}
        />
      )}
    </div>
  );
}
