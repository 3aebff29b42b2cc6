import { ingredient } from '../food/catalogue';
import type { Ingredient } from '../food/ingredient';

/** A caution with the rule it follows. Local codes and licensed practice decide; the kitchen may tighten, never loosen. */
export type Caution = {
  readonly id: string;
  readonly says: string;
  readonly do: string;
  readonly rule: string;
  /** True when what the recipe says is already against the rule. */
  readonly broken?: boolean;
};

export const CODE = 'FDA Food Code 2022 (from memory); the local code decides';
/** Said of what has no code behind it. */
export const TRADE = 'common practice, no source';

/** Time–temperature limits: FDA Food Code 2022, section in each. °C and seconds. */
export const LIMITS = {
  cooling: {
    from: 57,
    through: 21,
    firstSeconds: 2 * 3600,
    to: 5,
    allSeconds: 6 * 3600,
    section: '3-501.14',
  },
  hotHold: { atLeast: 57, section: '3-501.16' },
  coldHold: { atMost: 5, section: '3-501.16' },
  reheat: { to: 74, forSeconds: 15, withinSeconds: 2 * 3600, section: '3-403.11' },
  dateMark: { days: 7, atMost: 5, section: '3-501.17' },
  fish: { centre: 63, forSeconds: 15, section: '3-401.11' },
} as const;

/** Share of a jug that may be filled with hot liquid. Common practice, no source. */
const JUG_FILL = 1 / 3;

/** Jug fills to blend `ml` of hot soup in a jug of `jugMl`. */
export const jugFills = (ml: number, jugMl = 2000): number => Math.max(1, Math.ceil(ml / (jugMl * JUG_FILL)));

const fillsOf = (ml: number): string => {
  const n = jugFills(ml);
  return `${n} ${n === 1 ? 'fill' : 'fills'}`;
};

/** °C from which what is kept is frozen. Common practice, no source. */
const FROZEN = -12;

/** How what is put by is marked, and whether it may be: the day it is made is the first of its days. */
function keptMark({ days, celsius }: NonNullable<Deed['kept']>): Caution {
  const { dateMark } = LIMITS;
  const rule = `${CODE}, ${dateMark.section}`;
  if (celsius <= FROZEN)
    return {
      id: 'date mark',
      says: 'Frozen, its days stand still: those before and after it count together.',
      do: `Write the day it was made and the day it was frozen. Thawed, use it within what is left of ${dateMark.days} days.`,
      rule,
    };
  const tooLong = days > dateMark.days;
  const tooWarm = celsius > dateMark.atMost;
  const least = Math.min(days, dateMark.days);
  return {
    id: 'date mark',
    says: tooWarm
      ? `At ${celsius} °C it is too warm to be kept: ${dateMark.atMost} °C at most.`
      : tooLong
        ? `${days} days are too long: ${dateMark.days} at ${dateMark.atMost} °C, the day it is made counted.`
        : `Kept ${least} ${least === 1 ? 'day' : 'days'} at ${celsius} °C, the day it is made counted.`,
    do:
      tooLong || tooWarm
        ? `Keep it at ${dateMark.atMost} °C or under, ${dateMark.days} days at most, or freeze it.`
        : 'Label it with what it is, the day it was made and the day it is thrown away.',
    rule,
    ...((tooLong || tooWarm) && { broken: true }),
  };
}

/** What a step does, as far as cautions need to know. */
export type Deed = {
  readonly kind: string;
  readonly ingredients: readonly string[];
  /** °C of the pot before it. */
  readonly celsius: number;
  /** mL that go through the blender, when something is blended. */
  readonly blendedMl?: number;
  readonly jug?: boolean;
  /** g of fat poured off. */
  readonly fatPouredOff?: number;
  /** For how many days, and at how many °C, it is put by. */
  readonly kept?: { readonly days: number; readonly celsius: number };
};

/**
 * The cautions that apply to a step, where they apply and nowhere else. `foodOf` finds an ingredient as
 * the house has it; allergens in `flagged` are named first, in capitals.
 */
export function cautionsFor(
  deed: Deed,
  foodOf: (id: string) => Ingredient = ingredient,
  flagged: readonly string[] = [],
): readonly Caution[] {
  const found: Caution[] = [];
  const foods = deed.ingredients.map(foodOf);
  if (deed.blendedMl !== undefined && deed.celsius > 50) {
    found.push(
      deed.jug
        ? {
            id: 'hot blending',
            says: `Hot soup throws a jug’s lid: ${fillsOf(deed.blendedMl)}, a third full${jugFills(deed.blendedMl) > 1 ? ' each' : ''}.`,
            do: 'Vent the lid, hold it with a folded towel, start slow.',
            rule: TRADE,
          }
        : {
            id: 'hot blending',
            says: 'Hot soup splashes from a stick blender.',
            do: 'Keep its head under the surface; start and stop it there.',
            rule: TRADE,
          },
    );
  }
  if (deed.kept) found.push(keptMark(deed.kept));
  if (deed.fatPouredOff) {
    found.push({
      id: 'hot fat',
      says: 'The fat poured off is near 120 °C.',
      do: 'Into a dry metal tin, cooled, then the bin: never down the drain.',
      rule: TRADE,
    });
  }
  if (foods.some((f) => f.group === 'egg' && !f.pasteurised)) {
    found.push({
      id: 'yolk',
      says: 'Lightly cooked yolk.',
      do: 'For very young, old, pregnant or ill people use pasteurised egg.',
      rule: `${CODE}, 3-801.11`,
    });
  }
  if (foods.some((f) => f.group === 'seafood')) {
    found.push({
      id: 'seafood',
      says: `Centre to ${LIMITS.fish.centre} °C for ${LIMITS.fish.forSeconds} s.`,
      do: 'Probe the largest piece; keep shellfish tags 90 days.',
      rule: `${CODE}, ${LIMITS.fish.section} and 3-203.12`,
    });
  }
  if (foods.some((f) => f.id === 'foraged-mushroom')) {
    found.push({
      id: 'foraged',
      says: 'Foraged mushrooms.',
      do: 'Only from someone your authority recognises, each lot identified by an expert.',
      rule: `${CODE}, 3-201.16`,
    });
  }
  const held = [...new Set(foods.flatMap((f) => f.allergens))].sort();
  const allergens = [
    ...held.filter((a) => flagged.includes(a)).map((a) => a.toUpperCase()),
    ...held.filter((a) => !flagged.includes(a)),
  ];
  if (allergens.length > 0) {
    found.push({
      id: 'allergens',
      says: `Brings ${allergens.join(', ')}.`,
      do: 'Check the label; tell the pass.',
      rule: 'US nine and EU fourteen allergens',
    });
  }
  if (deed.kind === 'hold') {
    found.push({
      id: 'hot hold',
      says: `Never under ${LIMITS.hotHold.atLeast} °C.`,
      do: 'Probe every hour and write it down.',
      rule: `${CODE}, ${LIMITS.hotHold.section}`,
    });
  }
  if (deed.kind === 'chill') {
    found.push({
      id: 'cooling',
      says: `${LIMITS.cooling.from} to ${LIMITS.cooling.through} °C within 2 h, to ${LIMITS.cooling.to} °C within 6 h in all.`,
      do: 'Shallow pans, uncovered until cold, in moving air or ice.',
      rule: `${CODE}, ${LIMITS.cooling.section}`,
    });
  }
  if (deed.kind === 'reheat') {
    found.push({
      id: 'reheating',
      says: `To ${LIMITS.reheat.to} °C for ${LIMITS.reheat.forSeconds} s, within 2 h.`,
      do: 'Once only; throw away what is left.',
      rule: `${CODE}, ${LIMITS.reheat.section}`,
    });
  }
  return found;
}
