import type { Diet } from '../food/diets';
import { type Message, message, type Value } from '../message/message';
import { term } from '../message/term';
import { cautionWords } from '../words/cautions';
import { reasonWords } from '../words/dairy';
import type { Said } from '../words/said';
import type { Warning, WarningKind } from './types';

/** cm across, wider than which nobody has a pan. Common practice, no source. */
const WIDEST = 60;

const SPLITS = {
  'take care': message('The dairy can split'),
  'likely to split': message('The dairy is likely to split'),
  'will split': message('The dairy splits'),
} as const;

const CHEESE_FAILS = {
  'take care': message('The cheese can go to strings or grain'),
  'likely to split': message('The cheese is likely to go to strings or grain'),
  'will split': message('The cheese goes to strings or grain'),
} as const;

const NOT_FREE: Readonly<Record<Diet, Message>> = {
  vegetarian: message('Not vegetarian: {foods}.'),
  'no pork': message('Not without pork: {foods}.'),
  'no alcohol': message('Not without alcohol: {foods}.'),
  'no gluten': message('Not without gluten: {foods}.'),
  'no milk': message('Not without milk: {foods}.'),
  'no egg': message('Not without egg: {foods}.'),
  'no shellfish': message('Not without shellfish: {foods}.'),
};

/** Foods a sentence begins with. */
const openingWith = (foods: readonly string[]): Value => ({
  and: foods.map((f, n) => (n === 0 ? term(f) : { within: term(f) })),
});

/** What each kind says, and what there is to change. */
const WORDS: { readonly [K in WarningKind]: (w: Warning & { readonly kind: K }) => Said } = {
  overflow: (w) => ({
    says: message('{peak} at its fullest does not go into {vessel}: it holds {rim} to the rim.', {
      peak: { ml: w.peakMl },
      vessel: w.vessel,
      rim: { ml: w.rimMl },
    }),
    do: message('Make at most {volume} in it, or take a larger pot.', { volume: { ml: w.fillLimitMl } }),
  }),
  headroom: (w) => ({
    says: message('{peak} at its fullest is over the headroom line of {vessel} ({line}).', {
      peak: { ml: w.peakMl },
      vessel: w.vessel,
      line: { ml: w.fillLimitMl },
    }),
    do: message('It will boil over or slop when you whisk: take a larger pot, or make less.'),
  }),
  taken: (w) => ({
    says: message(
      'As it is written, {litres} would come to {written}: all of it is taken {times} times, so that the pot holds what was ordered.',
      {
        litres: { litres: w.litres },
        written: { ml: w.writtenMl },
        times: w.times.toFixed(2),
      },
    ),
    do: message('Write a liquid “to volume” in the recipe, and only that moves.'),
  }),
  amiss: (w) => ({
    says: message('It comes to {ml}, and {litres} were ordered.', {
      ml: { ml: w.ml },
      litres: { litres: w.litres },
    }),
    do: message('Write a liquid “to volume” in the recipe, or order what it comes to.'),
  }),
  'pan-full': (w) => ({
    says: message('“{pan}” comes to {peak}, and {vessel} holds {rim} to the rim.', {
      pan: w.pan,
      vessel: w.vessel,
      peak: { ml: w.peakMl },
      rim: { ml: w.rimMl },
    }),
    do: message('Make less, or write a larger pot down in the kitchen.'),
  }),
  'no-burner': (w) => ({
    says: message('No burner is left for “{pan}”: it has to share {burner}.', {
      pan: w.pan,
      burner: w.burner,
    }),
    do: message('Cook it before the pot goes on, or write another burner down in the kitchen.'),
  }),
  'no-oven': (w) => ({
    says: message('Step {n} roasts, and the kitchen has no oven.', { n: w.step + 1 }),
    do: message('Brown it in a pan in lots, or write the trays of your oven down in the kitchen.'),
  }),
  'many-lots': (w) => ({
    says: w.oven
      ? message('Step {n} takes {lots} loads of the oven, one layer each: {minutes} min.', {
          n: w.step + 1,
          lots: w.lots,
          minutes: w.minutes,
        })
      : message('Step {n} takes {lots} lots, one layer each: {minutes} min at the pan.', {
          n: w.step + 1,
          lots: w.lots,
          minutes: w.minutes,
        }),
    do: w.oven
      ? message('Roast it the day before, make less, or take an oven with more trays.')
      : w.wants > WIDEST
        ? message('Brown it in several pans, or roast it in the oven.')
        : message('Take a pan of {wants} cm, which browns it at once, two pans, or roast it in the oven.', {
            wants: w.wants,
          }),
  }),
  crowded: (w) => ({
    says: message('Step {n} is to brown, and lies {layers} layers deep: it stews in its own water.', {
      n: w.step + 1,
      layers: w.layers.toFixed(1),
    }),
    do:
      w.wants > WIDEST
        ? message('Brown it in one layer, in lots, or roast it in the oven.')
        : message('Brown it in one layer, in lots, or take a pan of {wants} cm.', { wants: w.wants }),
  }),
  shallow: (w) => ({
    says: message('It stands {depthMm} cm deep in {vessel}: it catches and boils away fast.', {
      depthMm: (w.depthMm / 10).toFixed(1),
      vessel: w.vessel,
    }),
    do: message('Take a smaller pot.'),
  }),
  'too thick without': () => ({
    says: message('It comes out thicker than asked with no thickener at all.'),
    do: message('Ask for a thicker band, or take less of the vegetables that thicken.'),
  }),
  'too thin with all': () => ({
    says: message('It comes out thinner than asked with all there is blended or added.'),
    do: message('Ask for a thinner band, or put more floury potato in the recipe.'),
  }),
  'no room for liquid': () => ({
    says: message('The solid ingredients alone come to more than was asked for.'),
    do: message('Make more, or take less of the solids.'),
  }),
  'boils away': () => ({
    says: message('More boils away on the way than can be poured in: this pot is too wide for so little.'),
    do: message('Take a smaller pot, put the lid on, or make more.'),
  }),
  'too rich without': () => ({
    says: message('It holds more fat than asked for without any of the dairy.'),
    do: message('Ask for it richer, or use less butter, cheese or bacon.'),
  }),
  'never so rich': () => ({
    says: message('With this dairy it does not get as rich as asked for.'),
    do: message('Take a richer dairy, or ask for less fat.'),
  }),
  diet: (w) => ({
    says: {
      ...NOT_FREE[w.diet],
      values: { foods: { and: w.foods.map((f) => ({ within: term(f) })) } },
    },
    do: message('Nothing stands in for that here: take another soup, or leave the promise out.'),
  }),
  'another band': (w) => ({
    says: message('It comes out {lands}, not {asked}: this recipe leaves no thickener to the plan.', {
      lands: term(w.lands),
      asked: term(w.asked),
    }),
    do: message('Ask for {lands}, thicken it another way, or leave an amount “to thicken” in the recipe.', {
      lands: term(w.lands),
    }),
  }),
  stalled: (w) => ({
    says: message('{burner} stalls at {celsius} in step {step}; the step needs {wanted}.', {
      burner: w.burner,
      celsius: { celsius: w.celsius },
      step: w.step + 1,
      wanted: { celsius: w.wanted },
    }),
    do: message('Take a stronger burner, put the lid on, or make less.'),
  }),
  scrambled: (w) => ({
    says: message('The yolk reaches {reached} in step {step}; over {limit} it scrambles.', {
      reached: { celsius: w.reached },
      step: w.step + 1,
      limit: { celsius: w.limit },
    }),
    do: message('Bring it no hotter than that after the liaison.'),
  }),
  chill: (w) => ({
    says: message('Step {step} cannot reach {at}: where it cools is no colder.', {
      step: w.step + 1,
      at: { celsius: w.to },
    }),
    do: message('Use a colder place, a fan or an ice bath.'),
  }),
  hard: (w) => ({
    says: message('The pieces do not become tender in step {step}.', { step: w.step + 1 }),
    do: message('Cut them smaller, or take a stronger burner.'),
  }),
  slow: (w) => ({
    says: message('{burner} takes {minutes} min to heat this pot.', {
      burner: w.burner,
      minutes: w.minutes,
    }),
    do: message('Start from hot stock, keep the lid on, or take a stronger burner.'),
  }),
  'fat-short': (w) => ({
    says: message('{grams} too little fat to wet the flour: it can lump.', {
      grams: { g: w.grams },
    }),
    do: message('Add that much butter or oil before the flour.'),
  }),
  'fat-over': (w) => ({
    says: message('{grams} more fat than the flour can bind: a greasy film.', {
      grams: { g: w.grams },
    }),
    do: message('Take that much less, or skim it before serving.'),
  }),
  'raw-flour': (w) => ({
    says: message('The flour simmers {cooked} min: it can still taste raw before {needs}.', {
      cooked: w.cooked.toFixed(0),
      needs: w.needs,
    }),
    do: message('Simmer longer before the dairy goes in.'),
  }),
  sweat: (w) => ({
    says: message(
      'After {minutes} min step {step} is only {at}: so much is warmed by this pan, not sweated.',
      { minutes: w.minutes, step: w.step + 1, at: { celsius: w.celsius } },
    ),
    do:
      w.needs === null
        ? message('Sweat it in batches, on a stronger flame, or in a wider pan.')
        : message(
            'Give it about {needs} min, or sweat it in batches, on a stronger flame, or in a wider pan.',
            { needs: w.needs },
          ),
  }),
  dairy: (w) => ({
    says: message('{grade} in step {step}: {reasons}.', {
      grade: (w.of === 'cheese' || w.of === 'fresh-cheese' ? CHEESE_FAILS : SPLITS)[w.grade],
      step: w.step + 1,
      reasons: { all: w.reasons.map((r) => reasonWords(r).says) },
    }),
    do: message('{remedy}.', { remedy: { opening: reasonWords(w.reasons[0]).do } }),
  }),
  'wet-roux': (w) => ({
    says: message(
      'Step {step} begins a roux in a pot that holds soup: flour and fat are stewed in it, not cooked.',
      {
        step: w.step + 1,
      },
    ),
    do: message('Make the roux first, or cook it apart and whisk it in as a cooked roux.'),
  }),
  'roux-time': (w) => {
    const { colour, minutes } = w;
    return minutes < w.least
      ? {
          says: message(
            'A {colour} roux takes {least} min and more; {minutes} leave it paler, and thicker than counted.',
            {
              colour: term(colour),
              least: w.least,
              minutes,
            },
          ),
          do: message('Give it the time, or ask for the colour it takes.'),
        }
      : {
          says: message(
            'After {minutes} min a roux is darker than {colour}, and thickens less than counted.',
            {
              colour: term(colour),
              minutes,
            },
          ),
          do: message('Take it to {most} min at most, or ask for the colour it takes.', { most: w.most }),
        };
  },
  lumps: (w) => ({
    says: message('{foods} goes dry onto soup of {celsius} in step {step}: it sets into lumps.', {
      foods: openingWith(w.foods),
      celsius: { celsius: w.celsius },
      step: w.step + 1,
    }),
    do: message('Stir it smooth in cold liquid, or into soft butter, and whisk that in.'),
  }),
  scorch: (w) => ({
    says: message(
      'What is thick stands {minutes} min on the full flame in step {step}: the bottom catches.',
      {
        minutes: w.minutes,
        step: w.step + 1,
      },
    ),
    do: message('Stir the bottom all the time, or turn the flame to half.'),
  }),
  tough: (w) => ({
    says: message('{foods} cooks {minutes} min once it is done: over {most} it goes tough.', {
      foods: openingWith(w.foods),
      minutes: w.minutes,
      most: w.most,
    }),
    do: message(
      'Put it in for the last minutes, or poach it at the end; for its taste alone, strain it out.',
    ),
  }),
  'left-in': (w) => {
    const foods = openingWith(w.foods);
    return {
      says:
        w.blended === null
          ? message('{foods} is in the soup at the pass: no step lifts it out.', { foods })
          : message('{foods} is still in when step {step} blends: it shreds, and tastes of it.', {
              foods,
              step: w.blended + 1,
            }),
      do: message('Lift it out first.'),
    };
  },
  salty: (w) => ({
    says: message('It comes to {salt} % salt, the house wants {wanted} %: from {foods}.', {
      salt: w.salt.toFixed(2),
      wanted: String(w.wanted),
      foods: { and: w.foods.map((f) => ({ within: term(f) })) },
    }),
    do: message('Take unsalted stock, or less of what is cured and salted, and boil down less.'),
  }),
  rest: (w) => {
    const rest = {
      step: w.step + 1,
      least: { celsius: w.atLeast },
      minutes: w.minutes,
      rests: w.rests ?? 0,
    };
    return {
      says:
        w.rests === null
          ? message('Off the heat in step {step} it is under {least} after {minutes} min.', rest)
          : message(
              'Off the heat in step {step} it is under {least} after {minutes} min: it rests {rests}.',
              rest,
            ),
      do:
        w.rests === null
          ? message('Serve it before, or keep it hot.')
          : message('Keep it on a low flame or in a hot bath, lid on.'),
    };
  },
  'kept-hot': (w) => ({
    says: message('It comes to step {step} at {celsius}: nothing is stored hotter than {most}.', {
      step: w.step + 1,
      celsius: { celsius: w.celsius },
      most: { celsius: w.atMost },
    }),
    do: message('Chill it first: pans, a blast or an ice bath.'),
  }),
  care: (w) => cautionWords(w.caution),
};

/** What is the matter and what to change, in words. */
export const warningWords = <K extends WarningKind>(w: Warning & { readonly kind: K }): Said =>
  WORDS[w.kind as K](w);

/** Both in one line. */
export function warningLine(w: Warning): Message {
  const said = warningWords(w);
  return message('{says} {do}', { says: said.says, do: said.do });
}
