import { type Message, message, type Value } from '../../message/message';
import { term } from '../../message/term';
import { warningLine } from '../../plan/warningWords';
import type { Mend } from '../arrange/mend';
import type { Relief } from '../arrange/relief';
import type { Clash } from '../board';
import { clockOf } from '../service';

/** Names of soups and of a kitchen’s things, as a message says them. */
export type Named = {
  /** A batch, or a soup, by its key. */
  readonly soup: (key: string) => string;
  readonly opens: number;
};

/** What clashes, where and when. */
export function clashWords(clash: Clash, { soup, opens }: Named): Message {
  const soups: Value = { and: clash.keys.map(soup) };
  switch (clash.kind) {
    case 'shared': {
      const when = { from: clockOf(clash.from), until: clockOf(clash.until) };
      const { shared } = clash;
      if (shared.kind === 'burner')
        return message('{soups} want {burner} at once, {from} to {until}', {
          soups,
          burner: shared.name,
          ...when,
        });
      if (shared.kind === 'pot')
        return message('{soups} want the pot {pot} at once, {from} to {until}', {
          soups,
          pot: shared.name,
          ...when,
        });
      if (shared.kind === 'oven')
        return message('{soups} want {wanted} trays of the oven, {there} there, {from} to {until}', {
          soups,
          wanted: clash.wanted,
          there: clash.there,
          ...when,
        });
      if (shared.kind === 'tool')
        return clash.there === 0
          ? message('{soups} {count, plural, one {wants} other {want}} a {tool}, and there is none', {
              soups,
              count: clash.keys.length,
              tool: term(shared.tool),
            })
          : message('{soups} want the {tool} at once, {from} to {until}', {
              soups,
              tool: term(shared.tool),
              ...when,
            });
      return message('{wanted} pairs of hands wanted, {there} there, {from} to {until}: {soups}', {
        wanted: clash.wanted,
        there: clash.there,
        soups,
        ...when,
      });
    }
    case 'late':
      return message('{soups} is {minutes} min late for {at}', {
        soups,
        minutes: Math.ceil(clash.minutes),
        at: clockOf(clash.from),
      });
    case 'waits':
      return message('{soups} waits hot {minutes} min, {most} at most: {why}', {
        soups,
        minutes: Math.ceil(clash.minutes),
        most: clash.most,
        why: clash.why,
      });
    case 'early':
      return clash.gone
        ? message('{soups} should have been lit at {at}', { soups, at: clockOf(clash.at) })
        : message('{soups} begins at {at}, before the kitchen opens at {opens}', {
            soups,
            at: clockOf(clash.at),
            opens: clockOf(opens),
          });
    case 'cannot':
      return clash.warning
        ? message('{soups}: {warning}', { soups, warning: warningLine(clash.warning) })
        : message('{soups}: no plan can be made of it in this pot, on this burner', { soups });
  }
}

/** What a mend does, on a button. */
export function mendWords({ key, sooner, burner, pot, longer }: Mend, { soup }: Named): Message {
  const name = soup(key);
  if (burner || pot)
    return message(
      '{soup} {burner, select, yes {on {burnerName}} other {in {potName}}}: {longer, select, yes {{minutes} min longer} no {{minutes} min quicker} other {as quick}}',
      {
        soup: name,
        burner: burner ? 'yes' : 'no',
        burnerName: burner ?? '',
        potName: pot ?? '',
        longer: longer > 0 ? 'yes' : longer < 0 ? 'no' : 'same',
        minutes: Math.abs(longer),
      },
    );
  return sooner >= 0
    ? message('{soup} {minutes} min sooner', { soup: name, minutes: sooner })
    : message('{soup} {minutes} min later', { soup: name, minutes: -sooner });
}

/** The smallest thing that would make a service possible. */
export function reliefWords(relief: Relief, { soup, opens }: Named): Message {
  switch (relief.kind) {
    case 'sooner':
      return message('begin {minutes} min sooner, at {at}', {
        minutes: relief.minutes,
        at: clockOf(opens - relief.minutes),
      });
    case 'later':
      return relief.soup === null
        ? message('everything on the pass {minutes} min later', { minutes: relief.minutes })
        : message('{soup} on the pass {minutes} min later', {
            soup: soup(relief.soup),
            minutes: relief.minutes,
          });
    case 'less':
      return message('{litres} less of {soup}', {
        litres: { litres: relief.litres },
        soup: soup(relief.soup),
      });
    case 'fresh':
      return message('{soup} cooked anew for each time on the pass', { soup: soup(relief.soup) });
    case 'hand':
      return message('one more pair of hands');
    case 'tool':
      return message('one more {tool}', { tool: term(relief.tool) });
    case 'pot':
      return message('one more pot such as {name}', { name: relief.like });
    case 'burner':
      return message('one more burner such as {name}', { name: relief.like });
    case 'without':
      return message('without {soup}', { soup: soup(relief.soup) });
  }
}
