'use client';

import '../../core/food/load';
import type { ReactNode } from 'react';
import type { Compared } from '../../core/compare/compare';
import { duration, spaced } from '../../core/units/format';

type Column = {
  readonly words: string;
  readonly of: (c: Compared, own: Compared | undefined) => ReactNode;
};

/** Allergens a way adds to the soup as written, and those it saves. */
function allergenChange(c: Compared, own: Compared | undefined): string {
  if (!own || c === own) return 'as written';
  const more = c.allergens.filter((a) => !own.allergens.includes(a));
  const less = own.allergens.filter((a) => !c.allergens.includes(a));
  return [more.length ? `+ ${more.join(', ')}` : '', less.length ? `no ${less.join(', ')}` : '']
    .filter(Boolean)
    .join('; ');
}

export const columnsFor = (currency: string): readonly Column[] => [
  { words: 'Weigh, and in spoons', of: (c) => <Dose one={c} /> },
  { words: 'Cost', of: (c) => (c.cost === null ? 'no price' : `${currency}${c.cost.toFixed(2)}`) },
  { words: 'Simmer', of: (c) => (c.leastMinutes ? `${c.leastMinutes} min` : '–') },
  { words: 'In all', of: (c) => duration(c.seconds) },
  { words: 'Clear', of: (c) => c.properties?.clarity ?? '–' },
  { words: 'Gloss', of: (c) => c.properties?.gloss ?? '–' },
  { words: 'Holds', of: (c) => c.properties?.holding ?? '–' },
  { words: 'Freezes', of: (c) => c.properties?.freezing ?? '–' },
  { words: 'Acid', of: (c) => c.properties?.acid ?? '–' },
  { words: 'Blender', of: (c) => c.properties?.shear ?? '–' },
  { words: 'Allergens', of: (c, own) => allergenChange(c, own) || 'the same' },
];

/** What is weighed, the thickener large, its carrier and spoons under it. */
export function Dose({ one }: { one: Compared }) {
  if (one.blend !== null) return <b>{Math.round(one.blend * 100)} % of the pot blended</b>;
  const main = one.doses.at(-1);
  const carried = one.doses.slice(0, -1);
  return (
    <span className="block whitespace-nowrap leading-tight">
      <b className="figures text-[22px]">{spaced(main?.g ?? 0)} g</b>{' '}
      {main?.name.split(',')[0]?.toLowerCase()}
      <span className="block text-[15px]">
        {main?.measure}
        {carried.map((d) => ` + ${spaced(d.g)} g ${d.name.split(',')[0]?.toLowerCase()}`)}
      </span>
    </span>
  );
}
