import { ingredient } from '../food/catalogue';
import { POURED } from '../food/ingredient';
import { portionsIn } from '../pot/portions';
import { coolsTo, lotOf, type Portion, type Step } from '../pot/step';
import { LIMITS } from '../safety/cautions';
import { METHOD_RULES } from '../thicken/methods';
import { CUTS } from '../thicken/puree';
import { duration, spaced, uncapital } from '../units/format';
import { degrees, METRIC, type Show, volumeWords } from '../units/show';

const LID = { on: 'lid on', ajar: 'lid ajar', off: 'lid off' } as const;

/** mL of what is poured, not weighed; null of the rest. */
export function pouredMl(id: string, g: number): number | null {
  const food = ingredient(id);
  return POURED.has(food.group) && typeof food.density === 'number' ? g / food.density : null;
}

/** mL from which what is poured is read in litres. */
export const READ_IN_LITRES = 995;

/** "1 300 g" or "8.6 L": poured things from a litre up are read in litres, or gallons. */
export function amountWords(id: string, g: number, show: Show = METRIC): string {
  const ml = pouredMl(id, g);
  if (ml !== null) {
    return ml >= READ_IN_LITRES ? volumeWords(ml, show) : `${spaced(Math.round(ml / 5) * 5)} mL`;
  }
  return `${spaced(g, g < 10 ? 1 : 0)} g`;
}

const nameOf = (id: string): string => {
  const { name } = ingredient(id);
  return uncapital(name);
};

const GOES = ['', 'first', 'second', 'third'];

/** What is lifted out, and which go of it: "the second leek". */
const piecesWords = (name: string): string => {
  const { ingredient: id, lot } = lotOf(name);
  return [lot === null ? '' : (GOES[lot] ?? `${lot}th`), shortName(id)].filter(Boolean).join(' ');
};

/** The name without its grade, for a title: "butter, unsalted" → "butter". */
const shortName = (id: string): string => nameOf(id).split(',')[0] ?? '';

const listed = (items: readonly Portion[]): string => {
  const names = items.map((i) => shortName(i.ingredient));
  if (names.length < 2) return names[0] ?? '';
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
};

const flameWords = (flame: number): string =>
  flame > 0.9
    ? 'full flame'
    : flame > 0.65
      ? 'three-quarter flame'
      : flame > 0.4
        ? 'half flame'
        : 'low flame';

/** The step as an order: the cook's verb and what it is done to, to a pot that comes to it at `from` °C. */
export function titleOf(step: Step, from?: number, show: Show = METRIC): string {
  const at = (celsius: number): string => degrees(celsius, show);
  if (from !== undefined && coolsTo(step, from) && step.kind === 'bring-to')
    return `Let it cool to ${at(Number(step.to))}`;
  switch (step.kind) {
    case 'sweat':
      return `Sweat the ${listed(step.items.filter((i) => ingredient(i.ingredient).group !== 'fat'))}`;
    case 'roux':
      return `Cook a ${step.colour} roux`;
    case 'dust':
      return `Dust with ${shortName(step.flour.ingredient)}`;
    case 'add':
      return `${step.gradually ? 'Whisk in' : 'Add'} the ${listed(step.items)}`;
    case 'bring-to':
      return typeof step.to === 'number' ? `Bring to ${at(step.to)}` : `Bring to the ${step.to}`;
    case 'simmer':
      return step.untilTender ? 'Simmer until tender' : 'Simmer';
    case 'puree':
      if (CUTS[step.tool] === 0)
        return step.fraction >= 0.995
          ? `Mash it all${step.tool === 'fork' ? ', with a fork' : ''}`
          : `Mash ${Math.round(step.fraction * 100)} % of it${step.tool === 'fork' ? ' with a fork' : ''}, against the wall or in a bowl`;
      if (step.fraction >= 0.995) return `Blend it all, ${step.tool}`;
      return `Blend ${Math.round(step.fraction * 100)} % of the pot, ${step.tool}`;
    case 'season':
      return 'Season';
    case 'render':
      return `Render the ${listed(step.items)}`;
    case 'reduce':
      if ('minutes' in step.to) return `Boil down for ${step.to.minutes} min`;
      if ('share' in step.to) return `Boil down to ${Math.round(step.to.share * 100)} %`;
      return `Boil down ${step.to.dropMm} mm on the wall`;
    case 'strain':
      return step.of ? `Lift out the ${step.of.map(piecesWords).join(' and ')}` : 'Strain';
    case 'thicken':
      return `Thicken with ${shortName(step.thickener.ingredient)}, ${step.method}`;
    case 'temper':
      return `Temper in the ${listed(step.items)}`;
    case 'poach':
      return `Poach the ${listed(step.items)}`;
    case 'rest':
      return 'Rest off the heat';
    case 'hold':
      return `Hold at ${at(step.at)}`;
    case 'chill':
      return `Chill to ${at(step.to)}`;
    case 'keep':
      return `Keep it ${step.days} ${step.days === 1 ? 'day' : 'days'} at ${at(step.at)}`;
    case 'reheat':
      return `Reheat to ${at(step.to)}`;
  }
}

/** One thing that goes in: its place in the step, what the scale or jug is to show, what it is. */
export type ItemLine = { readonly item: number; readonly figure: string; readonly name: string };

const AS = { puree: 'a purée', mash: 'mash' } as const;

/** What goes in, one line each; of weight zero only what was really weighed so. */
export const itemLines = (
  step: Step,
  show: Show = METRIC,
  weighed?: { has(item: number): boolean },
): readonly ItemLine[] =>
  portionsIn<Portion>(step).flatMap((p, item) =>
    p.amount > 0 || weighed?.has(item)
      ? [
          {
            item,
            figure: amountWords(p.ingredient, p.amount, show),
            name: `${nameOf(p.ingredient)}${p.as ? `, ready as ${AS[p.as]}` : ''}${p.prep ? `, ${p.prep}` : ''}`,
          },
        ]
      : [],
  );

const besides = ({ offHeat }: { readonly offHeat?: boolean | undefined }): readonly string[] =>
  offHeat ? ['take the pot off the heat first'] : [];

/** How it is done, to a pot that comes to it at `from` °C: flame, lid, minutes, in how many goes. */
export function waysOf(step: Step, from?: number, show: Show = METRIC): readonly string[] {
  const at = (celsius: number): string => degrees(celsius, show);
  if (from !== undefined && coolsTo(step, from) && step.kind === 'bring-to')
    return [`off the flame, ${LID[step.lid]}, stirred now and then`];
  switch (step.kind) {
    case 'sweat':
      return [`until ${step.to === 'gold' ? 'gold at the edges' : 'translucent'}`];
    case 'add':
      return [
        ...besides(step),
        ...(step.gradually ? ['a little first, whisk smooth, then the rest in pours'] : []),
        ...(step.minutes ? [`over ${step.minutes} min`] : []),
      ];
    case 'dust':
      return [...besides(step), `stir it in for ${step.minutes} min`];
    case 'season':
      return besides(step);
    case 'bring-to':
      return [`${flameWords(step.flame)}, ${LID[step.lid]}`];
    case 'simmer':
      return [`at least ${step.minutes} min, ${LID[step.lid]}`];
    case 'puree':
      return [
        ...besides(step),
        ...(step.reserve
          ? [`first lift out ${Math.round(step.reserve * 100)} % of the pieces; they go back after`]
          : []),
        ...(step.of
          ? [`lift out and blend ${step.of.map(piecesWords).join(' and ')} with their liquid`]
          : []),
      ];
    case 'render':
      return [
        step.keep >= 0.995
          ? 'keep the fat'
          : `keep ${Math.round(step.keep * 100)} % of the fat, pour the rest into a tin`,
      ];
    case 'reduce':
      return [`${flameWords(step.flame)}, lid off`];
    case 'thicken':
      return [
        METHOD_RULES[step.method].how,
        ...((step.additions ?? 1) > 1 ? [`in ${step.additions} additions, a minute apart`] : []),
        `then ${step.minutes} min at the simmer`,
      ];
    case 'temper':
      return [`ladles of soup until it is ${at(step.warmTo)}, then back; no hotter than ${at(step.to)}`];
    case 'poach':
      return [
        `at ${at(step.at)}, ${LID[step.lid]}, until the centre is ${at(LIMITS.fish.centre)}${step.minutes ? `, ${step.minutes} min at least` : ''}`,
      ];
    case 'rest':
    case 'hold':
      return [`${step.minutes} min, ${LID[step.lid]}`];
    case 'chill':
      return [
        step.method === 'ice bath'
          ? 'the pot in ice and water, stirred'
          : `${step.method}, ${step.depthMm / 10} cm deep`,
      ];
    case 'keep':
      return ['covered, labelled with what it is, the day it was made and the day it is thrown away'];
    case 'reheat':
      return [`${flameWords(step.flame)}, ${LID[step.lid]}`];
    default:
      return [];
  }
}

/** Amounts, flame and lid of a step, one line each. */
export const detailsOf = (step: Step, from?: number, show: Show = METRIC): readonly string[] => [
  ...itemLines(step, show).map((l) => `${l.figure} ${l.name}`),
  ...waysOf(step, from, show),
];

/** Why the step is done so; empty when it speaks for itself. */
export function reasonFor(step: Step): string {
  switch (step.kind) {
    case 'roux':
      return step.colour === 'white' || step.colour === 'blond'
        ? 'Fat round every grain keeps the flour from lumping. Colour costs thickening.'
        : 'Colour is flavour bought with thickening: the dose already allows for it.';
    case 'dust':
      return 'The fat on the vegetables takes the flour up, so it cannot lump.';
    case 'add':
      return step.gradually ? 'Flour that meets the boil all at once sets into lumps.' : '';
    case 'bring-to':
      return typeof step.to === 'number'
        ? 'Cream and milk split at the boil, more so with acid or salt.'
        : 'Starch thickens fully only at the simmer: judge nothing before.';
    case 'simmer':
      return step.lid === 'on'
        ? 'The lid keeps the water the plan counts on.'
        : 'Open, it gives off the water the plan counts on.';
    case 'temper':
      return 'Warmed by ladles it cannot curdle; hotter than that the yolk scrambles.';
    case 'thicken':
      return 'It thickens only at the simmer: judge nothing before.';
    case 'strain':
      return 'Press gently: force pushes grain through.';
    case 'season':
      return 'Last, because reduction and cured or salted things have brought salt already.';
    default:
      return '';
  }
}

/** One line on the fire: "19 min to the simmer, then 31 min at it." */
export function fireWords(steps: readonly { readonly step: Step; readonly seconds: number }[]): string {
  const first = steps.find((s) => s.step.kind === 'bring-to');
  const simmer = steps.find((s) => s.step.kind === 'simmer');
  const parts = [
    first ? `${duration(first.seconds)} to the simmer` : '',
    simmer ? `${duration(simmer.seconds)} at it` : '',
  ].filter(Boolean);
  return parts.length ? `${parts.join(', then ')}.` : '';
}
