'use client';

import { clsx } from 'clsx';
import {
  Blend,
  CloudSun,
  Contrast,
  Droplets,
  Egg,
  Fish,
  Flame,
  FlameKindling,
  GlassWater,
  Grip,
  type LucideIcon,
  Milk,
  Mountain,
  Snowflake,
  Spline,
  Square,
  Thermometer,
  Utensils,
  Waves,
  Wheat,
} from 'lucide-react';
import { useState } from 'react';
import { DOSED, FAULTS, type Fault, SEEN } from '../../core/adjust/faults';
import { term } from '../../core/message/term';
import { useSay } from '../shared/hooks/useSay';

const ICONS: Readonly<Record<Fault, LucideIcon>> = {
  'too thin': Droplets,
  'too thick': Mountain,
  'too salty': Waves,
  'too flat': CloudSun,
  lumps: Grip,
  split: Milk,
  'yolk set': Egg,
  scorched: FlameKindling,
  greasy: Blend,
  'raw flour': Wheat,
  gluey: Spline,
  slimy: Waves,
  skin: Square,
  'hard dice': Utensils,
  'fish nearly done': Fish,
  'too full': GlassWater,
  'too cold': Snowflake,
  'too hot': Thermometer,
  'too dark': Contrast,
};

type Props = { readonly chosen: readonly Fault[]; readonly onChange: (faults: readonly Fault[]) => void };

/** What is wrong, in words and a picture; faults of dose can be two at once, any other stands alone. */
export function Faults({ chosen, onChange }: Props) {
  const say = useSay();
  // On a small screen the answer stands below: what was not chosen makes room for it.
  const [open, setOpen] = useState(false);
  const folded = chosen.length > 0 && !open;
  const toggle = (fault: Fault) => {
    setOpen(false);
    if (chosen.includes(fault)) return onChange(chosen.filter((f) => f !== fault));
    const kept = DOSED.has(fault) ? chosen.filter((f) => DOSED.has(f) && !opposite(f, fault)) : [];
    onChange([...kept, fault]);
  };
  return (
    <fieldset>
      <legend className="mb-1 font-bold text-[20px]">{say('What is wrong?')}</legend>
      <div className="grid grid-cols-2 gap-1 min-[720px]:max-[1100px]:grid-cols-4">
        {FAULTS.map((fault) => {
          const Icon = ICONS[fault] ?? Flame;
          const on = chosen.includes(fault);
          return (
            <button
              key={fault}
              type="button"
              aria-pressed={on}
              title={say(SEEN[fault])}
              onClick={() => toggle(fault)}
              className={clsx(
                'flex min-h-13 items-center gap-2 rounded-sm border-2 border-ink px-2 text-left font-bold text-[16px] leading-tight',
                on ? 'bg-ink text-surface' : 'bg-surface',
                folded && !on && 'max-[1100px]:hidden',
              )}
            >
              <Icon size={22} aria-hidden className="shrink-0" />
              <span className="min-w-0">{say('{fault}', { fault: { opening: term(fault) } })}</span>
            </button>
          );
        })}
        {folded && (
          <button
            type="button"
            onClick={() => setOpen(true)}
            className="min-h-13 rounded-sm border-2 border-ink bg-surface px-2 font-bold text-[16px] min-[1100px]:hidden"
          >
            {say('Something else …')}
          </button>
        )}
      </div>
    </fieldset>
  );
}

const PAIRS: readonly (readonly [Fault, Fault])[] = [
  ['too thin', 'too thick'],
  ['too salty', 'too flat'],
];
const opposite = (a: Fault, b: Fault): boolean =>
  PAIRS.some(([x, y]) => (a === x && b === y) || (a === y && b === x));
