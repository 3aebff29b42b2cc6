import type { SplitReason } from '../dairy/risk';
import { message } from '../message/message';
import type { Said } from './said';

/** Why dairy may split, as part of a sentence, and what to change. */
export function reasonWords(r: SplitReason): Said {
  switch (r.kind) {
    case 'acid':
      return {
        says: message('the pot is acid, pH {pH}', { pH: r.pH.toFixed(1) }),
        do: message('put the dairy in before the wine or tomato, or use cream of 30 % and more'),
      };
    case 'boils':
      return {
        says: message('it boils after the dairy is in'),
        do: message('keep it under {keepUnder} from here', { keepUnder: { celsius: r.keepUnder } }),
      };
    case 'hot':
      return {
        says: message('it is hotter than {over} with dairy in', { over: { celsius: r.over } }),
        do: message('turn the flame down'),
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
