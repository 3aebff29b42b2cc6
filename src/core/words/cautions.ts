import { message } from '../message/message';
import { term } from '../message/term';
import type { Caution } from '../safety/cautions';
import type { Said } from './said';

const hours = (seconds: number): string => `${seconds / 3600} h`;

/** A caution in words. */
export function cautionWords(c: Caution): Said {
  switch (c.kind) {
    case 'hot jug':
      return {
        says: message(
          'Hot soup throws a jug’s lid: {fills, plural, one {# fill, a third full} other {# fills, a third full each}}.',
          { fills: c.fills },
        ),
        do: message('Vent the lid, hold it with a folded towel, start slow.'),
      };
    case 'hot stick':
      return {
        says: message('Hot soup splashes from a stick blender.'),
        do: message('Keep its head under the surface; start and stop it there.'),
      };
    case 'frozen':
      return {
        says: message('Frozen, its days stand still: those before and after it count together.'),
        do: message(
          'Write the day it was made and the day it was frozen. Thawed, use it within what is left of {days, plural, one {# day} other {# days}}.',
          { days: c.days },
        ),
      };
    case 'kept': {
      const tooLong = c.days > c.mostDays;
      const tooWarm = c.celsius > c.atMost;
      return {
        says: tooWarm
          ? message('At {celsius} it is too warm to be kept: {most} at most.', {
              celsius: { celsius: c.celsius },
              most: { celsius: c.atMost },
            })
          : tooLong
            ? message('{days} days are too long: {mostDays} at {most}, the day it is made counted.', {
                days: c.days,
                mostDays: c.mostDays,
                most: { celsius: c.atMost },
              })
            : message(
                'Kept {days, plural, one {# day} other {# days}} at {celsius}, the day it is made counted.',
                {
                  days: c.days,
                  celsius: { celsius: c.celsius },
                },
              ),
        do:
          tooLong || tooWarm
            ? message(
                'Keep it at {most} or under, {days, plural, one {# day} other {# days}} at most, or freeze it.',
                {
                  most: { celsius: c.atMost },
                  days: c.mostDays,
                },
              )
            : message('Label it with what it is, the day it was made and the day it is thrown away.'),
      };
    }
    case 'waits':
      return c.kept === 'cold'
        ? {
            says: message('Half cooked, it is chilled at once, to {cold} or under.', {
              cold: { celsius: c.cold },
            }),
            do: message('Keep it apart from what is ready; cook it through when it goes back.'),
          }
        : c.kept === 'warm'
          ? {
              says: message('What waits warm stays at {hot} or over.', { hot: { celsius: c.hot } }),
              do: message('Cover it, and probe it before it goes back.'),
            }
          : {
              says: message('Left to stand it is soon between {cold} and {hot}.', {
                cold: { celsius: c.cold },
                hot: { celsius: c.hot },
              }),
              do: message('Use it soon, or keep it cold or hot meanwhile.'),
            };
    case 'hot fat':
      return {
        says: message('The fat poured off is near {at}.', { at: { celsius: c.celsius } }),
        do: message('Into a dry metal tin, cooled, then the bin: never down the drain.'),
      };
    case 'yolk':
      return {
        says: message('Lightly cooked yolk.'),
        do: message('For very young, old, pregnant or ill people use pasteurised egg.'),
      };
    case 'seafood':
      return {
        says: message('Centre to {at} for {seconds} s.', { at: { celsius: c.centre }, seconds: c.seconds }),
        do: message(
          'Probe the largest piece; keep shellfish tags {days, plural, one {# day} other {# days}}.',
          {
            days: c.tagDays,
          },
        ),
      };
    case 'foraged':
      return {
        says: message('Foraged mushrooms.'),
        do: message('Only from someone your authority recognises, each lot identified by an expert.'),
      };
    case 'allergens':
      return {
        says: message('{of, select, soup {Contains} other {Brings}} {allergens}.', {
          of: c.of,
          allergens: {
            listed: [...c.flagged.map((a) => ({ loud: term(a) })), ...c.others.map(term)],
          },
        }),
        do: message('Check the label; tell the pass.'),
      };
    case 'hot hold':
      return {
        says: message('Never under {at}.', { at: { celsius: c.atLeast } }),
        do: message('Probe every hour and write it down.'),
      };
    case 'cooling':
      return {
        says:
          c.firstSeconds === c.allSeconds
            ? message('{range} within {first}.', {
                range: { celsius: c.from, toCelsius: c.to },
                first: hours(c.firstSeconds),
              })
            : message('{range} within {first}, to {to} within {all} in all.', {
                range: { celsius: c.from, toCelsius: c.through },
                first: hours(c.firstSeconds),
                to: { celsius: c.to },
                all: hours(c.allSeconds),
              }),
        do: message('Shallow pans, uncovered until cold, in moving air or ice.'),
      };
    case 'reheating':
      return {
        says: message('To {at} for {seconds} s, within {hours}.', {
          at: { celsius: c.to },
          seconds: c.seconds,
          hours: hours(c.within),
        }),
        do: message('Once only; throw away what is left.'),
      };
  }
}
