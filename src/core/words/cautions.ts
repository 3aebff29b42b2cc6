import type { Caution } from '../safety/cautions';
import { degrees, degreesFrom, METRIC, type Show } from '../units/show';
import type { Said } from './said';

const counted = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`;

const hours = (seconds: number): string => `${seconds / 3600} h`;

/** A caution as it is read in this kitchen. */
export function cautionWords(c: Caution, show: Show = METRIC): Said {
  const at = (celsius: number): string => degrees(celsius, show);
  switch (c.kind) {
    case 'hot jug':
      return {
        says: `Hot soup throws a jug’s lid: ${counted(c.fills, 'fill')}, a third full${c.fills > 1 ? ' each' : ''}.`,
        do: 'Vent the lid, hold it with a folded towel, start slow.',
      };
    case 'hot stick':
      return {
        says: 'Hot soup splashes from a stick blender.',
        do: 'Keep its head under the surface; start and stop it there.',
      };
    case 'frozen':
      return {
        says: 'Frozen, its days stand still: those before and after it count together.',
        do: `Write the day it was made and the day it was frozen. Thawed, use it within what is left of ${counted(c.days, 'day')}.`,
      };
    case 'kept': {
      const tooLong = c.days > c.mostDays;
      const tooWarm = c.celsius > c.atMost;
      return {
        says: tooWarm
          ? `At ${at(c.celsius)} it is too warm to be kept: ${at(c.atMost)} at most.`
          : tooLong
            ? `${c.days} days are too long: ${c.mostDays} at ${at(c.atMost)}, the day it is made counted.`
            : `Kept ${counted(c.days, 'day')} at ${at(c.celsius)}, the day it is made counted.`,
        do:
          tooLong || tooWarm
            ? `Keep it at ${at(c.atMost)} or under, ${counted(c.mostDays, 'day')} at most, or freeze it.`
            : 'Label it with what it is, the day it was made and the day it is thrown away.',
      };
    }
    case 'hot fat':
      return {
        says: `The fat poured off is near ${at(c.celsius)}.`,
        do: 'Into a dry metal tin, cooled, then the bin: never down the drain.',
      };
    case 'yolk':
      return {
        says: 'Lightly cooked yolk.',
        do: 'For very young, old, pregnant or ill people use pasteurised egg.',
      };
    case 'seafood':
      return {
        says: `Centre to ${at(c.centre)} for ${c.seconds} s.`,
        do: `Probe the largest piece; keep shellfish tags ${counted(c.tagDays, 'day')}.`,
      };
    case 'foraged':
      return {
        says: 'Foraged mushrooms.',
        do: 'Only from someone your authority recognises, each lot identified by an expert.',
      };
    case 'allergens':
      return {
        says: `${c.of === 'soup' ? 'Contains' : 'Brings'} ${[...c.flagged.map((a) => a.toUpperCase()), ...c.others].join(', ')}.`,
        do: 'Check the label; tell the pass.',
      };
    case 'hot hold':
      return { says: `Never under ${at(c.atLeast)}.`, do: 'Probe every hour and write it down.' };
    case 'cooling':
      return {
        says: `${degreesFrom(c.from, c.through, show)} within ${hours(c.firstSeconds)}, to ${at(c.to)} within ${hours(c.allSeconds)} in all.`,
        do: 'Shallow pans, uncovered until cold, in moving air or ice.',
      };
    case 'reheating':
      return {
        says: `To ${at(c.to)} for ${c.seconds} s, within ${hours(c.within)}.`,
        do: 'Once only; throw away what is left.',
      };
  }
}
