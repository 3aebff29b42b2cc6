'use client';

import '../../core/food/load';
import type { ReactNode } from 'react';
import type { Compared } from '../../core/compare/compare';
import { type Message, message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { duration } from '../../core/units/shown/format';
import { type Say, useSay } from '../shared/hooks/useSay';

type Column = {
  readonly words: Message;
  readonly of: (c: Compared, own: Compared | undefined, say: Say) => ReactNode;
};

/** Allergens a way adds to the soup as written, and those it saves. */
function allergenChange(c: Compared, own: Compared | undefined, say: Say): string {
  if (!own || c === own) return say('as written');
  const more = c.allergens.filter((a) => !own.allergens.includes(a));
  const less = own.allergens.filter((a) => !c.allergens.includes(a));
  return [
    more.length ? say('+ {more}', { more: { listed: more.map(term) } }) : '',
    less.length ? say('no {less}', { less: { listed: less.map(term) } }) : '',
  ]
    .filter(Boolean)
    .join('; ');
}

export const columnsFor = (currency: string): readonly Column[] => [
  { words: message('Weigh, and in spoons'), of: (c) => <Dose one={c} /> },
  {
    words: message('Cost'),
    of: (c, _own, say) => (c.cost === null ? say('no price') : `${currency}${c.cost.toFixed(2)}`),
  },
  {
    words: message('Simmer'),
    of: (c, _own, say) =>
      c.leastMinutes ? say('{leastMinutes} min', { leastMinutes: c.leastMinutes }) : '–',
  },
  { words: message('In all'), of: (c) => duration(c.seconds) },
  { words: message('Clear'), of: (c, _own, say) => (c.properties ? say(term(c.properties.clarity)) : '–') },
  { words: message('Gloss'), of: (c, _own, say) => (c.properties ? say(term(c.properties.gloss)) : '–') },
  { words: message('Holds'), of: (c, _own, say) => (c.properties ? say(term(c.properties.holding)) : '–') },
  {
    words: message('Freezes'),
    of: (c, _own, say) => (c.properties ? say(term(c.properties.freezing)) : '–'),
  },
  { words: message('Acid'), of: (c, _own, say) => (c.properties ? say(term(c.properties.acid)) : '–') },
  { words: message('Blender'), of: (c, _own, say) => (c.properties ? say(term(c.properties.shear)) : '–') },
  { words: message('Allergens'), of: (c, own, say) => allergenChange(c, own, say) || say('the same') },
];

/** The name of what is weighed without its grade, within a line. */
const shortly = (name: string, say: Say): string =>
  say('{what}', { what: { within: term(name.split(',')[0] ?? name) } });

/** What is weighed, the thickener large, its carrier and spoons under it. */
export function Dose({ one }: { one: Compared }) {
  const say = useSay();
  if (one.blend !== null)
    return <b>{say('{blend} % of the pot blended', { blend: Math.round(one.blend * 100) })}</b>;
  const main = one.doses.at(-1);
  const carried = one.doses.slice(0, -1);
  return (
    <span className="block whitespace-nowrap leading-tight">
      <b className="figures text-[22px]">{say('{grams}', { grams: { g: main?.g ?? 0 } })}</b>{' '}
      {main && shortly(main.name, say)}
      <span className="block text-[15px]">
        {main?.measure}
        {carried.map((d) => ` + ${say('{g}', { g: { g: d.g } })} ${shortly(d.name, say)}`)}
      </span>
    </span>
  );
}
