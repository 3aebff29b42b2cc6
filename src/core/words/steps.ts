import { ingredient } from '../food/catalogue';
import { POURED } from '../food/ingredient';
import { type Figure, type Message, message } from '../message/message';
import { term } from '../message/term';
import { coolsTo } from '../pot/heating';
import { lotOf } from '../pot/lots';
import { portionsIn } from '../pot/portions';
import type { Portion, Step } from '../pot/step';
import { LIMITS } from '../safety/cautions';
import { inWords, wordsFor } from '../say/inWords';
import { METHOD_RULES } from '../thicken/methods';
import { CUTS } from '../thicken/puree';
import { duration } from '../units/format';
import { jugWords, METRIC, massWords, type Show, volumeWords } from '../units/show';

const LID = { on: message('lid on'), ajar: message('lid ajar'), off: message('lid off') } as const;

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
    return ml >= READ_IN_LITRES ? volumeWords(ml, show) : jugWords(Math.round(ml / 5) * 5, show);
  }
  return massWords(g, show);
}

const nameOf = (id: string): Figure => ({ within: term(ingredient(id).name) });

const GOES = [
  message('{what}'),
  message('first {what}'),
  message('second {what}'),
  message('third {what}'),
  message('fourth {what}'),
  message('{what}, go {lot}'),
];
const LATER = GOES.length - 1;

/** What is lifted out, and which go of it: "the second leek". */
function piecesWords(name: string): Message {
  const { ingredient: id, lot } = lotOf(name);
  const text = GOES[Math.min(lot ?? 0, LATER)]?.text ?? '';
  return { text, values: { what: shortName(id), lot: lot ?? 0 } };
}

/** The name without its grade, for a title: "butter, unsalted" → "butter". */
const shortName = (id: string): Figure => ({ within: term(ingredient(id).name.split(',')[0] ?? id) });

const listed = (items: readonly Portion[]): Figure => ({ and: items.map((i) => shortName(i.ingredient)) });

const flameWords = (flame: number): Message =>
  flame > 0.9
    ? message('full flame')
    : flame > 0.65
      ? message('three-quarter flame')
      : flame > 0.4
        ? message('half flame')
        : message('low flame');

/** The step as an order: the cook's verb and what it is done to, to a pot that comes to it at `from` °C. */
export function titleAsMessage(step: Step, from?: number): Message {
  if (from !== undefined && coolsTo(step, from) && step.kind === 'bring-to')
    return message('Let it cool to {at}', { at: { celsius: Number(step.to) } });
  switch (step.kind) {
    case 'sweat':
      return message('Sweat the {listed}', {
        listed: listed(step.items.filter((i) => ingredient(i.ingredient).group !== 'fat')),
      });
    case 'roux':
      return message('Cook a {colour} roux', { colour: term(step.colour) });
    case 'dust':
      return message('Dust with {shortName}', { shortName: shortName(step.flour.ingredient) });
    case 'add':
      return message('{gradually, select, yes {Whisk in} other {Add}} the {listed}', {
        gradually: step.gradually ? 'yes' : 'no',
        listed: listed(step.items),
      });
    case 'bring-to':
      return typeof step.to === 'number'
        ? message('Bring to {at}', { at: { celsius: step.to } })
        : message('Bring to the {to}', { to: term(step.to) });
    case 'simmer':
      return step.untilTender ? message('Simmer until tender') : message('Simmer');
    case 'puree':
      if (CUTS[step.tool] === 0)
        return step.fraction >= 0.995
          ? message('Mash it all{tool, select, yes {, with a fork} other {}}', {
              tool: step.tool === 'fork' ? 'yes' : 'no',
            })
          : message(
              'Mash {fraction} % of it{tool, select, yes { with a fork} other {}}, against the wall or in a bowl',
              { fraction: Math.round(step.fraction * 100), tool: step.tool === 'fork' ? 'yes' : 'no' },
            );
      if (step.fraction >= 0.995) return message('Blend it all, {tool}', { tool: term(step.tool) });
      return message('Blend {fraction} % of the pot, {tool}', {
        fraction: Math.round(step.fraction * 100),
        tool: term(step.tool),
      });
    case 'season':
      return message('Season');
    case 'render':
      return message('Render the {listed}', { listed: listed(step.items) });
    case 'reduce':
      if ('minutes' in step.to) return message('Boil down for {minutes} min', { minutes: step.to.minutes });
      if ('share' in step.to)
        return message('Boil down to {share} %', { share: Math.round(step.to.share * 100) });
      if ('ofLast' in step.to)
        return message('Boil what was poured down to {share} %', {
          share: Math.round(step.to.ofLast * 100),
        });
      return message('Boil down {dropMm} mm on the wall', { dropMm: step.to.dropMm });
    case 'strain':
      return step.of
        ? message('Lift out the {pieces}', { pieces: { and: step.of.map(piecesWords) } })
        : message('Strain');
    case 'thicken':
      return message('Thicken with {shortName}, {method}', {
        shortName: shortName(step.thickener.ingredient),
        method: term(step.method),
      });
    case 'temper':
      return message('Temper in the {listed}', { listed: listed(step.items) });
    case 'poach':
      return message('Poach the {listed}', { listed: listed(step.items) });
    case 'rest':
      return message('Rest off the heat');
    case 'hold':
      return message('Hold at {at}', { at: { celsius: step.at } });
    case 'chill':
      return message('Chill to {at}', { at: { celsius: step.to } });
    case 'keep':
      return message('Keep it {days, plural, one {# day} other {# days}} at {at}', {
        days: step.days,
        at: { celsius: step.at },
      });
    case 'reheat':
      return message('Reheat to {at}', { at: { celsius: step.to } });
  }
}

/** The same as it is read. */
export const titleOf = (step: Step, from?: number, show: Show = METRIC): string =>
  inWords(titleAsMessage(step, from), show);

/** One thing that goes in: its place in the step, what the scale or jug is to show, what it is. */
export type ItemLine = { readonly item: number; readonly figure: string; readonly name: string };

const AS = { puree: message('a purée'), mash: message('mash') } as const;

/** What goes in, one line each; of weight zero only what was really weighed so. */
export const itemLines = (
  step: Step,
  show: Show = METRIC,
  weighed?: { has(item: number): boolean },
): readonly ItemLine[] => {
  const say = wordsFor(show);
  return portionsIn<Portion>(step).flatMap((p, item) =>
    p.amount > 0 || weighed?.has(item)
      ? [
          {
            item,
            figure: amountWords(p.ingredient, p.amount, show),
            name: [
              say('{what}', { what: nameOf(p.ingredient) }),
              p.as ? say('ready as {what}', { what: AS[p.as] }) : '',
              p.prep ?? '',
            ]
              .filter(Boolean)
              .join(', '),
          },
        ]
      : [],
  );
};

const besides = ({ offHeat }: { readonly offHeat?: boolean | undefined }): readonly Message[] =>
  offHeat ? [message('take the pot off the heat first')] : [];

/** How it is done, to a pot that comes to it at `from` °C: flame, lid, minutes, in how many goes. */
export function waysOf(step: Step, from?: number, show: Show = METRIC): readonly string[] {
  const say = wordsFor(show);
  if (from !== undefined && coolsTo(step, from) && step.kind === 'bring-to')
    return [say('off the flame, {lid}, stirred now and then', { lid: LID[step.lid] })];
  switch (step.kind) {
    case 'sweat':
      return [say('until {to, select, gold {gold at the edges} other {translucent}}', { to: step.to })];
    case 'add':
      return [
        ...besides(step).map((m) => say(m)),
        ...(step.gradually ? [say('a little first, whisk smooth, then the rest in pours')] : []),
        ...(step.minutes ? [say('over {minutes} min', { minutes: step.minutes })] : []),
      ];
    case 'dust':
      return [
        ...besides(step).map((m) => say(m)),
        say('stir it in for {minutes} min', { minutes: step.minutes }),
      ];
    case 'season':
      return besides(step).map((m) => say(m));
    case 'bring-to':
      return [say('{flame}, {lid}', { flame: flameWords(step.flame), lid: LID[step.lid] })];
    case 'simmer':
      return [say('at least {minutes} min, {lid}', { minutes: step.minutes, lid: LID[step.lid] })];
    case 'puree':
      return [
        ...besides(step).map((m) => say(m)),
        ...(step.reserve
          ? [
              say('first lift out {reserve} % of the pieces; they go back after', {
                reserve: Math.round(step.reserve * 100),
              }),
            ]
          : []),
        ...(step.of
          ? [
              say('lift out and blend {pieces} with their liquid', {
                pieces: { and: step.of.map(piecesWords) },
              }),
            ]
          : []),
      ];
    case 'render':
      return [
        step.keep >= 0.995
          ? say('keep the fat')
          : say('keep {keep} % of the fat, pour the rest into a tin', { keep: Math.round(step.keep * 100) }),
      ];
    case 'reduce':
      return [say('{flame}, lid off', { flame: flameWords(step.flame) })];
    case 'thicken':
      return [
        say(METHOD_RULES[step.method].how),
        ...((step.additions ?? 1) > 1
          ? [say('in {additions} additions, a minute apart', { additions: step.additions ?? 1 })]
          : []),
        say('then {minutes} min at the simmer', { minutes: step.minutes }),
      ];
    case 'temper':
      return [
        say('ladles of soup until it is {warm}, then back; no hotter than {most}', {
          warm: { celsius: step.warmTo },
          most: { celsius: step.to },
        }),
      ];
    case 'poach':
      return [
        say('at {at}, {lid}, until the centre is {centre}', {
          at: { celsius: step.at },
          lid: LID[step.lid],
          centre: { celsius: LIMITS.fish.centre },
        }) + (step.minutes ? say(', {minutes} min at least', { minutes: step.minutes }) : ''),
      ];
    case 'rest':
    case 'hold':
      return [say('{minutes} min, {lid}', { minutes: step.minutes, lid: LID[step.lid] })];
    case 'chill':
      return [
        step.method === 'ice bath'
          ? say('the pot in ice and water, stirred')
          : say('{method}, {depth} cm deep', { method: term(step.method), depth: step.depthMm / 10 }),
      ];
    case 'keep':
      return [say('covered, labelled with what it is, the day it was made and the day it is thrown away')];
    case 'reheat':
      return [say('{flame}, {lid}', { flame: flameWords(step.flame), lid: LID[step.lid] })];
    default:
      return [];
  }
}

/** Amounts, flame and lid of a step, one line each. */
export const detailsOf = (step: Step, from?: number, show: Show = METRIC): readonly string[] => [
  ...itemLines(step, show).map((l) => `${l.figure} ${l.name}`),
  ...waysOf(step, from, show),
];

/** Why the step is done so; null when it speaks for itself. */
export function reasonFor(step: Step): Message | null {
  switch (step.kind) {
    case 'roux':
      return step.colour === 'white' || step.colour === 'blond'
        ? message('Fat round every grain keeps the flour from lumping. Colour costs thickening.')
        : message('Colour is flavour bought with thickening: the dose already allows for it.');
    case 'dust':
      return message('The fat on the vegetables takes the flour up, so it cannot lump.');
    case 'add':
      return step.gradually ? message('Flour that meets the boil all at once sets into lumps.') : null;
    case 'bring-to':
      return typeof step.to === 'number'
        ? message('Cream and milk split at the boil, more so with acid or salt.')
        : message('Starch thickens fully only at the simmer: judge nothing before.');
    case 'simmer':
      return step.lid === 'on'
        ? message('The lid keeps the water the plan counts on.')
        : message('Open, it gives off the water the plan counts on.');
    case 'temper':
      return message('Warmed by ladles it cannot curdle; hotter than that the yolk scrambles.');
    case 'thicken':
      return message('It thickens only at the simmer: judge nothing before.');
    case 'strain':
      return message('Press gently: force pushes grain through.');
    case 'season':
      return message('Last, because reduction and cured or salted things have brought salt already.');
    default:
      return null;
  }
}

/** One line on the fire: "19 min to the simmer, then 31 min at it."; null without either. */
export function fireWords(
  steps: readonly { readonly step: Step; readonly seconds: number }[],
): Message | null {
  const first = steps.find((s) => s.step.kind === 'bring-to');
  const simmer = steps.find((s) => s.step.kind === 'simmer');
  const values = { first: duration(first?.seconds ?? 0), simmer: duration(simmer?.seconds ?? 0) };
  if (first && simmer) return message('{first} to the simmer, then {simmer} at it.', values);
  if (first) return message('{first} to the simmer.', values);
  return simmer ? message('{simmer} at it.', values) : null;
}
