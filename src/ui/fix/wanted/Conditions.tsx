import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { mendsSoup } from '../../../core/adjust/larder';
import type { Allergen } from '../../../core/food/ingredient';
import { parseNumber } from '../../../core/units/typed/parse';
import { Field, Tick } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';
import { Larder } from './Larder';
import type { WantedFix } from './useWanted';

const PROMISES: readonly Allergen[] = ['wheat', 'milk', 'egg', 'celery', 'fish', 'molluscs', 'crustaceans'];

/** Minutes taken where nobody said when it is served, or that is past or hours off. */
const UNSAID = 15;
const FAR = 180;
const MOST = 600;

/** Minutes until it is due, to the half, so that the ways are not computed anew every second. `by` was said here, ms. */
export function minutesLeft(serveAt: string | null, by: number | null, now: number): number {
  const until = by ?? (serveAt === null ? null : Date.parse(serveAt));
  if (until === null) return UNSAID;
  const due = Math.round((until - now) / 30_000) / 2;
  return by === null && (due <= 0 || due >= FAR) ? UNSAID : Math.max(0, due);
}

type Props = {
  readonly wanted: WantedFix;
  readonly want: (change: Partial<WantedFix>) => void;
  readonly minutes: number;
  readonly now: number;
  readonly keeps: readonly string[];
  readonly larder: readonly string[];
  readonly onToggle: (id: string) => void;
};

/** Minutes left, what is to hand, what was promised, and what matters. */
export function Conditions({ wanted, want, minutes, now, keeps, larder, onToggle }: Props) {
  const say = useSay();
  const [typed, setTyped] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const { freeOf } = wanted;
  const text = typed ?? String(Math.ceil(minutes));
  const can = (m: number): boolean => m >= 0 && m <= MOST;
  const timely = can(parseNumber(text));
  const leave = (m: number) => want({ by: now + m * 60_000 });
  const nudge = (by: number) => {
    setTyped(null);
    leave(Math.min(MOST, Math.max(0, Math.ceil(minutes) + by)));
  };
  return (
    <>
      <div className="flex flex-wrap items-end gap-2">
        <button
          type="button"
          aria-label={say('A minute less')}
          onClick={() => nudge(-1)}
          className={`${BUTTON} px-3`}
        >
          <Minus aria-hidden />
        </button>
        <div className="w-28">
          <Field
            id="fix-minutes"
            label={say('Minutes left')}
            inputMode="decimal"
            value={text}
            onChange={(e) => {
              setTyped(e.target.value);
              const m = parseNumber(e.target.value);
              if (can(m)) leave(m);
            }}
            // What cannot be stays to be looked at; what can be runs down with the clock.
            onBlur={() => timely && setTyped(null)}
            className="figures text-right font-bold text-[26px]"
          />
        </div>
        <button
          type="button"
          aria-label={say('A minute more')}
          onClick={() => nudge(1)}
          className={`${BUTTON} px-3`}
        >
          <Plus aria-hidden />
        </button>
        <Sheet
          open={open}
          onOpenChange={setOpen}
          title={say('Ingredients here, and what guests were promised')}
          trigger={say('Ingredients here: {count}', { count: larder.filter(mendsSoup).length })}
          triggerClass={BUTTON}
        >
          <Larder
            keeps={keeps}
            larder={larder}
            onToggle={onToggle}
            promises={PROMISES}
            freeOf={freeOf}
            onPromise={(a) =>
              want({ freeOf: freeOf.includes(a) ? freeOf.filter((x) => x !== a) : [...freeOf, a] })
            }
          />
        </Sheet>
        <Pins wanted={wanted} want={want} />
      </div>
      {!timely && (
        <p role="alert" className="font-bold text-tomato">
          {say('“{text}” cannot be: minutes left are a number from 0 to {most}.', { text, most: MOST })}
        </p>
      )}
      {freeOf.length > 0 && (
        <p className="font-bold">{say('Promised free of {freeOf}.', { freeOf: freeOf.join(', ') })}</p>
      )}
    </>
  );
}

/** What must not be, and what must stay. */
function Pins({ wanted: { noFlour, keepYield }, want }: Pick<Props, 'wanted' | 'want'>) {
  const say = useSay();
  return (
    <div className="flex flex-wrap gap-x-6">
      <Tick
        id="fix-flour"
        label={say('No flour')}
        checked={noFlour}
        onChange={(e) => want({ noFlour: e.target.checked })}
      />
      <Tick
        id="fix-yield"
        label={say('Keep the yield')}
        checked={keepYield}
        onChange={(e) => want({ keepYield: e.target.checked })}
      />
    </div>
  );
}
