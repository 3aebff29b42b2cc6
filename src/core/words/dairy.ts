import type { Reason } from '../dairy/risk';
import { degrees, METRIC, type Show } from '../units/show';
import type { Said } from './said';

/** Why dairy may split, as part of a sentence, and what to change. */
export function reasonWords(r: Reason, show: Show = METRIC): Said {
  switch (r.kind) {
    case 'acid':
      return {
        says: `the pot is acid, pH ${r.pH.toFixed(1)}`,
        do: 'put the dairy in before the wine or tomato, or use cream of 30 % and more',
      };
    case 'boils':
      return {
        says: 'it boils after the dairy is in',
        do: `keep it under ${degrees(r.keepUnder, show)} from here`,
      };
    case 'hot':
      return {
        says: `it is hotter than ${degrees(r.over, show)} with dairy in`,
        do: 'turn the flame down',
      };
    case 'salty':
      return { says: 'it is salty', do: 'salt after the dairy' };
    case 'cold':
      return { says: 'cold dairy meets a hot pot', do: 'warm it, or temper it with ladles of soup' };
  }
}
