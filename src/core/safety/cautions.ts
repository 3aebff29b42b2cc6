import { ingredient } from '../food/catalogue';
import type { Ingredient } from '../food/ingredient';
import { RULES, type RuleSet, ruleName } from './rules';

/** What a caution is about, with the figures its sentence needs; °C, s, days. */
type Care =
  | { readonly kind: 'hot jug'; readonly fills: number }
  | { readonly kind: 'hot stick' }
  | { readonly kind: 'frozen'; readonly days: number }
  | {
      readonly kind: 'kept';
      readonly days: number;
      readonly celsius: number;
      readonly mostDays: number;
      readonly atMost: number;
    }
  | { readonly kind: 'hot fat'; readonly celsius: number }
  | { readonly kind: 'yolk' }
  | { readonly kind: 'seafood'; readonly centre: number; readonly seconds: number; readonly tagDays: number }
  | { readonly kind: 'foraged' }
  | {
      readonly kind: 'allergens';
      /** Those the house names first, and the others. */
      readonly flagged: readonly string[];
      readonly others: readonly string[];
      /** Of one step, or of the soup. */
      readonly of: 'step' | 'soup';
    }
  /** What was lifted out and waits: how it is kept, °C it is to be under or over, and whether it is half cooked. */
  | {
      readonly kind: 'waits';
      readonly kept: 'left' | 'warm' | 'cold';
      readonly cold: number;
      readonly hot: number;
    }
  | { readonly kind: 'hot hold'; readonly atLeast: number }
  | {
      readonly kind: 'cooling';
      readonly from: number;
      readonly through: number;
      readonly to: number;
      readonly firstSeconds: number;
      readonly allSeconds: number;
    }
  | { readonly kind: 'reheating'; readonly to: number; readonly seconds: number; readonly within: number };

/** A caution with the rule it follows. Local codes and licensed practice decide; the kitchen may tighten, never loosen. */
export type Caution = Care & {
  readonly id: string;
  readonly rule: string;
  /** True when what the recipe says is already against the rule. */
  readonly broken?: boolean;
};

export const CODE = 'FDA Food Code 2022 (from memory); the local code decides';
/** Said of what has no code behind it. */
export const TRADE = 'common practice, no source';

/** What fish and shellfish are cooked to: FDA Food Code 2022, section in it. °C and seconds. */
export const LIMITS = {
  fish: { centre: 63, forSeconds: 15, section: '3-401.11' },
} as const;

/** Days the tags of shellfish are kept: Food Code 3-203.12, from memory. */
const TAG_DAYS = 90;

/** Share of a jug that may be filled with hot liquid. Common practice, no source. */
const JUG_FILL = 1 / 3;

/** Jug fills to blend `ml` of hot soup in a jug of `jugMl`. */
export const jugFills = (ml: number, jugMl = 2000): number => Math.max(1, Math.ceil(ml / (jugMl * JUG_FILL)));

/** °C from which what is kept is frozen. Common practice, no source. */
const FROZEN = -12;

/** How what is put by is marked, and whether it may be: the day it is made is the first of its days. */
function keptMark({ days, celsius }: NonNullable<Deed['kept']>, rules: RuleSet): Caution {
  const { days: mostDays } = rules.keep;
  const { atMost } = rules.cold;
  const rule = ruleName(rules, rules.keep);
  if (celsius <= FROZEN) return { id: 'date mark', kind: 'frozen', days: mostDays, rule };
  const broken = days > mostDays || celsius > atMost;
  return { id: 'date mark', kind: 'kept', days, celsius, mostDays, atMost, rule, ...(broken && { broken }) };
}

/** °C fat comes off the pan at, near enough. Common practice, no source. */
const HOT_FAT = 120;

/** What does not stand about half cooked. */
const PERISHES: ReadonlySet<string> = new Set(['seafood', 'meat', 'dairy', 'egg', 'cheese']);

/** What was lifted out of the pot, as it waits: half cooked and chilled, warm, or left to stand. */
const waiting = (kept: NonNullable<Deed['waits']>, rules: RuleSet): Caution => ({
  id: 'waits',
  kind: 'waits',
  kept,
  cold: rules.cold.atMost,
  hot: rules.hot.atLeast,
  // Cooked in two goes: 3-401.14; held hot or cold: 3-501.16, from memory.
  rule: kept === 'cold' ? `${CODE}, 3-401.14` : `${CODE}, 3-501.16`,
});

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
  /** How what is lifted out is kept while it waits. */
  readonly waits?: 'left' | 'warm' | 'cold' | undefined;
  /** For how many days, and at how many °C, it is put by. */
  readonly kept?: { readonly days: number; readonly celsius: number };
};

/**
 * The cautions that apply to a step, where they apply and nowhere else. `foodOf` finds an ingredient as
 * the house has it; allergens in `flagged` are named first, in capitals; times and temperatures are those of `rules`.
 */
export function cautionsFor(
  deed: Deed,
  foodOf: (id: string) => Ingredient = ingredient,
  flagged: readonly string[] = [],
  rules: RuleSet = RULES.fda,
): readonly Caution[] {
  const found: Caution[] = [];
  if (deed.waits) {
    const perishes = deed.ingredients.map(foodOf).some((f) => PERISHES.has(f.group));
    return perishes ? [waiting(deed.waits, rules)] : [];
  }
  const foods = deed.ingredients.map(foodOf);
  if (deed.blendedMl !== undefined && deed.celsius > 50) {
    const care: Care = deed.jug
      ? { kind: 'hot jug', fills: jugFills(deed.blendedMl) }
      : { kind: 'hot stick' };
    found.push({ id: 'hot blending', rule: TRADE, ...care });
  }
  if (deed.kept) found.push(keptMark(deed.kept, rules));
  if (deed.fatPouredOff) found.push({ id: 'hot fat', kind: 'hot fat', celsius: HOT_FAT, rule: TRADE });
  if (foods.some((f) => f.group === 'egg' && !f.pasteurised))
    found.push({ id: 'yolk', kind: 'yolk', rule: `${CODE}, 3-801.11` });
  if (foods.some((f) => f.group === 'seafood' && !f.strainedOff)) {
    const { centre, forSeconds: seconds, section } = LIMITS.fish;
    const rule = `${CODE}, ${section} and 3-203.12`;
    found.push({ id: 'seafood', kind: 'seafood', centre, seconds, tagDays: TAG_DAYS, rule });
  }
  if (foods.some((f) => f.id === 'foraged-mushroom'))
    found.push({ id: 'foraged', kind: 'foraged', rule: `${CODE}, 3-201.16` });
  const held = [...new Set(foods.flatMap((f) => f.allergens))].sort();
  if (held.length > 0) {
    found.push({
      id: 'allergens',
      kind: 'allergens',
      flagged: held.filter((a) => flagged.includes(a)),
      others: held.filter((a) => !flagged.includes(a)),
      of: 'step',
      rule: 'US nine and EU fourteen allergens',
    });
  }
  if (deed.kind === 'hold')
    found.push({
      id: 'hot hold',
      kind: 'hot hold',
      atLeast: rules.hot.atLeast,
      rule: ruleName(rules, rules.hot),
    });
  if (deed.kind === 'chill') {
    const { from, stages } = rules.cooling;
    const [first] = stages;
    if (first)
      found.push({
        id: 'cooling',
        kind: 'cooling',
        from,
        through: first.to,
        to: (stages.at(-1) ?? first).to,
        firstSeconds: first.seconds,
        allSeconds: (stages.at(-1) ?? first).seconds,
        rule: ruleName(rules, rules.cooling),
      });
  }
  if (deed.kind === 'reheat') {
    const { to, forSeconds: seconds, withinSeconds } = rules.reheat;
    const rule = ruleName(rules, rules.reheat);
    found.push({ id: 'reheating', kind: 'reheating', to, seconds, within: withinSeconds, rule });
  }
  return found;
}
