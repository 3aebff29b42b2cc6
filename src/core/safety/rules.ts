import { type Message, message } from '../message/message';

/** A figure of a rule with where it stands: the section, or that it is guidance. All from memory. */
export type Sourced = { readonly source: Message };

/** One stage of cooling: to `to` °C within `seconds` of having been at the first stage's `from`. */
export type CoolingStage = { readonly to: number; readonly seconds: number };

/** Time and temperature rules of one place; °C, s, days. */
export type RuleSet = {
  /** Hours after midnight at which the kitchen’s day ends; midnight where nobody said. */
  readonly dayEnds?: number;
  readonly id: RuleSetId;
  readonly name: Message;
  /** Year of the text the figures are of, as remembered. */
  readonly of: number;
  /** Kept hot at or over; and how long under it may be served on, once, s (0: not at all). */
  readonly hot: Sourced & { readonly atLeast: number; readonly graceSeconds: number };
  readonly cold: Sourced & { readonly atMost: number };
  readonly frozen: Sourced & { readonly atMost: number };
  readonly cooling: Sourced & { readonly from: number; readonly stages: readonly CoolingStage[] };
  readonly reheat: Sourced & {
    readonly to: number;
    readonly forSeconds: number;
    readonly withinSeconds: number;
  };
  /** Days a thing may be kept cold; the day of making is the first. */
  readonly keep: Sourced & { readonly days: number };
};

export const RULE_SETS = ['fda', 'uk', 'canada', 'anz', 'eu'] as const;
export type RuleSetId = (typeof RULE_SETS)[number];

const HOUR = 3600;
const guidance = message('guidance, not in the law’s own text');
const frozen = { atMost: -18, source: message('common practice, no source') };

/** The sets a kitchen picks from. Every figure is from memory and wants to be held against the text; the local code decides. */
export const RULES: Readonly<Record<RuleSetId, RuleSet>> = {
  fda: {
    id: 'fda',
    name: message('FDA Food Code'),
    of: 2022,
    hot: { atLeast: 57, graceSeconds: 0, source: message('3-501.16') },
    cold: { atMost: 5, source: message('3-501.16') },
    frozen,
    cooling: {
      from: 57,
      stages: [
        { to: 21, seconds: 2 * HOUR },
        { to: 5, seconds: 6 * HOUR },
      ],
      source: message('3-501.14'),
    },
    reheat: { to: 74, forSeconds: 15, withinSeconds: 2 * HOUR, source: message('3-403.11') },
    keep: { days: 7, source: message('3-501.17') },
  },
  uk: {
    id: 'uk',
    name: message('England, Wales and Northern Ireland'),
    of: 2013,
    hot: {
      atLeast: 63,
      graceSeconds: 2 * HOUR,
      source: message('Food Safety and Hygiene (England) Regulations 2013, schedule 4'),
    },
    cold: { atMost: 8, source: message('Food Safety and Hygiene (England) Regulations 2013, schedule 4') },
    frozen,
    cooling: { from: 63, stages: [{ to: 8, seconds: 1.5 * HOUR }], source: guidance },
    reheat: { to: 70, forSeconds: 120, withinSeconds: 2 * HOUR, source: guidance },
    keep: { days: 3, source: guidance },
  },
  canada: {
    id: 'canada',
    name: message('Canada'),
    of: 2020,
    hot: { atLeast: 60, graceSeconds: 0, source: message('Food Retail and Food Services Code, 3.3') },
    cold: { atMost: 4, source: message('Food Retail and Food Services Code, 3.3') },
    frozen,
    cooling: {
      from: 60,
      stages: [
        { to: 20, seconds: 2 * HOUR },
        { to: 4, seconds: 6 * HOUR },
      ],
      source: message('Food Retail and Food Services Code, 3.3'),
    },
    reheat: {
      to: 74,
      forSeconds: 15,
      withinSeconds: 2 * HOUR,
      source: message('Food Retail and Food Services Code, 3.3'),
    },
    keep: { days: 4, source: guidance },
  },
  anz: {
    id: 'anz',
    name: message('Australia and New Zealand'),
    of: 2016,
    hot: { atLeast: 60, graceSeconds: 0, source: message('Standard 3.2.2, clause 8') },
    cold: { atMost: 5, source: message('Standard 3.2.2, clause 8') },
    frozen,
    cooling: {
      from: 60,
      stages: [
        { to: 21, seconds: 2 * HOUR },
        { to: 5, seconds: 6 * HOUR },
      ],
      source: message('Standard 3.2.2, clause 7(3)'),
    },
    reheat: {
      to: 60,
      forSeconds: 15,
      withinSeconds: 2 * HOUR,
      source: message('Standard 3.2.2, clause 7(4)'),
    },
    keep: { days: 5, source: guidance },
  },
  eu: {
    id: 'eu',
    name: message('European Union, the general duty'),
    of: 2004,
    hot: {
      atLeast: 63,
      graceSeconds: 0,
      source: message('Regulation 852/2004, annex II, IX 5 names no figure: common practice, no source'),
    },
    cold: {
      atMost: 5,
      source: message('Regulation 852/2004, annex II, IX 5 names no figure: common practice, no source'),
    },
    frozen,
    cooling: {
      from: 63,
      stages: [
        { to: 10, seconds: 2 * HOUR },
        { to: 5, seconds: 6 * HOUR },
      ],
      source: message(
        'Regulation 852/2004, annex II, IX 6 asks for as quickly as possible: common practice, no source',
      ),
    },
    reheat: {
      to: 70,
      forSeconds: 120,
      withinSeconds: 2 * HOUR,
      source: message('common practice, no source'),
    },
    keep: { days: 3, source: message('common practice, no source') },
  },
};

/** The rules a figure is of, and where it stands in them, as a caution names it. */
export const ruleName = ({ name, of }: RuleSet, { source }: Sourced): string =>
  `${name.text} ${of} (from memory); the local code decides, ${source.text}`;

/** What a kitchen asks beyond its rules, each at least as strict; absent where the rule stands as it is. */
type Tightened = {
  readonly hot?: number | undefined;
  readonly cold?: number | undefined;
  /** The stages of cooling all in this share of their time. */
  readonly cooling?: number | undefined;
  readonly reheat?: number | undefined;
  readonly days?: number | undefined;
};

type Tightening = keyof Tightened;

/** The bounds of each figure a kitchen may tighten: what the rule has, and how far the other way still makes sense. */
export const tightest = (of: RuleSet): Readonly<Record<Tightening, readonly [number, number]>> => ({
  hot: [of.hot.atLeast, 90],
  cold: [0, of.cold.atMost],
  cooling: [0.25, 1],
  reheat: [of.reheat.to, 95],
  days: [1, of.keep.days],
});

/** Which of what a kitchen tightened is looser than the rule, or makes no sense. */
export const loosened = (id: RuleSetId, by: Tightened): readonly Tightening[] =>
  (Object.entries(tightest(RULES[id])) as [Tightening, readonly [number, number]][]).flatMap(
    ([name, [low, high]]) => {
      const value = by[name];
      return value !== undefined && !(value >= low && value <= high) ? [name] : [];
    },
  );

/** The rules as this kitchen has them. What would loosen a rule is not followed. */
export function rulesOf(id: RuleSetId, by: Tightened = {}): RuleSet {
  const of = RULES[id];
  const bad = new Set(loosened(id, by));
  const tight = (name: Tightening, else_: number): number => (bad.has(name) ? else_ : (by[name] ?? else_));
  const share = tight('cooling', 1);
  const cold = tight('cold', of.cold.atMost);
  return {
    ...of,
    hot: { ...of.hot, atLeast: tight('hot', of.hot.atLeast) },
    cold: { ...of.cold, atMost: cold },
    cooling: {
      ...of.cooling,
      stages: of.cooling.stages.map(({ to, seconds }, n, all) => ({
        // The last stage ends where it is kept cold.
        to: n === all.length - 1 ? Math.min(to, cold) : to,
        seconds: seconds * share,
      })),
    },
    reheat: { ...of.reheat, to: tight('reheat', of.reheat.to) },
    keep: { ...of.keep, days: tight('days', of.keep.days) },
  };
}
