import type { DairyKind, SplitReason } from '../dairy/risk';
import { type Message, message } from '../message/message';
import type { Said } from './said';

/** What goes wrong with each kind when it boils. */
const BOILED: { readonly [K in DairyKind]: Message } = {
  milk: message('it boils after the dairy is in'),
  soured: message('what is soured curdles at the boil'),
  'fresh-cheese': message('fresh cheese grains at the boil'),
  cheese: message('cheese that boils goes to strings and oil'),
};

/** Why dairy may split, as part of a sentence, and what to change. */
export function reasonWords(r: SplitReason): Said {
  switch (r.kind) {
    case 'acid':
      return {
        says:
          r.of === 'milk'
            ? message('the pot is acid, pH {pH}', { pH: r.pH.toFixed(1) })
            : message('the pot is acid, pH {pH}: cheese grains in it', { pH: r.pH.toFixed(1) }),
        do:
          r.of !== 'milk'
            ? message('toss the cheese in a spoon of starch, and melt it in off the heat')
            : r.rich
              ? message('bind the pot with flour or starch before it, and keep it under the boil')
              : message('use cream of 30 % and more, or bind the pot with flour or starch before it'),
      };
    case 'boils':
      return {
        says: BOILED[r.of],
        do:
          r.of === 'cheese'
            ? message('take it off the heat before the cheese goes in, and keep it under {keepUnder}', {
                keepUnder: { celsius: r.keepUnder },
              })
            : message('keep it under {keepUnder} from here', { keepUnder: { celsius: r.keepUnder } }),
      };
    case 'hot':
      return {
        says:
          r.of === 'cheese'
            ? message('it is hotter than {over} with cheese in: strings and oil', {
                over: { celsius: r.over },
              })
            : message('it is hotter than {over} with dairy in', { over: { celsius: r.over } }),
        do: message('turn the flame down'),
      };
    case 'bare':
      return {
        says: message('no starch holds the fat of the cheese'),
        do: message('toss the cheese in a spoon of starch first'),
      };
    case 'salty':
      return { says: message('it is salty'), do: message('salt after the dairy') };
    case 'cold':
      return {
        says: message('cold dairy meets a hot pot'),
        do: message('warm it, or temper it with ladles of soup'),
      };
  }
}
