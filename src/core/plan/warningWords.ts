import { capital, spaced } from '../units/format';
import { degrees, METRIC, type Show, volumeWords } from '../units/show';
import { cautionWords } from '../words/cautions';
import { reasonWords } from '../words/dairy';
import type { Said } from '../words/said';
import type { Warning } from './types';

const SPLITS = {
  'take care': 'The dairy can split',
  'likely to split': 'The dairy is likely to split',
  'will split': 'The dairy splits',
} as const;

/** What is the matter and what to change, as it is read in this kitchen. */
export function warningWords(w: Warning, show: Show = METRIC): Said {
  const at = (celsius: number): string => degrees(celsius, show);
  const volume = (ml: number): string => volumeWords(ml, show);
  switch (w.kind) {
    case 'overflow':
      return {
        says: `${volume(w.peakMl)} at its fullest does not go into ${w.vessel}: it holds ${volume(w.rimMl)} to the rim.`,
        do: `Make at most ${volume(w.fillLimitMl)} in it, or take a larger pot.`,
      };
    case 'headroom':
      return {
        says: `${volume(w.peakMl)} at its fullest is over the headroom line of ${w.vessel} (${volume(w.fillLimitMl)}).`,
        do: 'It will boil over or slop when you whisk: take a larger pot, or make less.',
      };
    case 'shallow':
      return {
        says: `It stands ${(w.depthMm / 10).toFixed(1)} cm deep in ${w.vessel}: it catches and boils away fast.`,
        do: 'Take a smaller pot.',
      };
    case 'too thick without':
      return {
        says: 'It comes out thicker than asked with no thickener at all.',
        do: 'Ask for a thicker band, or take less of the vegetables that thicken.',
      };
    case 'too thin with all':
      return {
        says: 'It comes out thinner than asked with all there is blended or added.',
        do: 'Ask for a thinner band, or put more floury potato in the recipe.',
      };
    case 'no room for liquid':
      return {
        says: `The solid ingredients alone come to more than the ${show.volume === 'L' ? 'litres' : 'gallons'} asked for.`,
        do: 'Make more, or take less of the solids.',
      };
    case 'another band':
      return {
        says: `It lands in ${w.lands}, not in ${w.asked}: this recipe leaves no thickener to the plan.`,
        do: `Ask for ${w.lands}, thicken it another way, or leave an amount “to thickness” in the recipe.`,
      };
    case 'stalled':
      return {
        says: `${w.burner} stalls at ${at(w.celsius)} in step ${w.step + 1}; the step needs ${at(w.wanted)}.`,
        do: 'Take a stronger burner, put the lid on, or make less.',
      };
    case 'scrambled':
      return {
        says: `The yolk reaches ${at(w.reached)} in step ${w.step + 1}; over ${at(w.limit)} it scrambles.`,
        do: 'Bring it no hotter than that after the liaison.',
      };
    case 'chill':
      return {
        says: `Step ${w.step + 1} cannot reach ${at(w.to)}: where it cools is no colder.`,
        do: 'Use a colder place, a fan or an ice bath.',
      };
    case 'hard':
      return {
        says: `The pieces do not become tender in step ${w.step + 1}.`,
        do: 'Cut them smaller, or take a stronger burner.',
      };
    case 'slow':
      return {
        says: `${w.burner} takes ${w.minutes} min to heat this pot.`,
        do: 'Start from hot stock, keep the lid on, or take a stronger burner.',
      };
    case 'fat-short':
      return {
        says: `${spaced(w.grams)} g too little fat to wet the flour: it can lump.`,
        do: 'Add that much butter or oil before the flour.',
      };
    case 'fat-over':
      return {
        says: `${spaced(w.grams)} g more fat than the flour can bind: a greasy film.`,
        do: 'Take that much less, or skim it before serving.',
      };
    case 'raw-flour':
      return {
        says: `The flour simmers ${w.cooked.toFixed(0)} min: it can still taste raw before ${w.needs}.`,
        do: 'Simmer longer before the dairy goes in.',
      };
    case 'sweat':
      return {
        says: `After ${w.minutes} min step ${w.step + 1} is only ${at(w.celsius)}: so much is warmed by this pan, not sweated.`,
        do:
          w.needs === null
            ? 'Sweat it in batches, on a stronger flame, or in a wider pan.'
            : `Give it about ${w.needs} min, or sweat it in batches, on a stronger flame, or in a wider pan.`,
      };
    case 'dairy':
      return {
        says: `${SPLITS[w.grade]} in step ${w.step + 1}: ${w.reasons.map((r) => reasonWords(r, show).says).join('; ')}.`,
        do: `${capital(reasonWords(w.reasons[0], show).do)}.`,
      };
    case 'rest':
      return {
        says: `Off the heat in step ${w.step + 1} it is under ${at(w.atLeast)} after ${w.minutes} min${w.rests === null ? '' : `: it rests ${w.rests}`}.`,
        do:
          w.rests === null
            ? 'Serve it before, or keep it hot.'
            : 'Keep it on a low flame or in a hot bath, lid on.',
      };
    case 'kept-hot':
      return {
        says: `It comes to step ${w.step + 1} at ${at(w.celsius)}: nothing is put by hotter than ${at(w.atMost)}.`,
        do: 'Chill it first: pans, a blast or an ice bath.',
      };
    case 'care':
      return cautionWords(w.caution, show);
  }
}

/** Both in one line. */
export const warningLine = (w: Warning, show?: Show): string => {
  const said = warningWords(w, show);
  return `${said.says} ${said.do}`;
};
