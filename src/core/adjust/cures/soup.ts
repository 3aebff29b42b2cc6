import { splitRisk } from '../../dairy/risk';
import { ingredient } from '../../food/catalogue';
import { message } from '../../message/message';
import { volumeMl } from '../../pot/contents/contents';
import { boilsAt, cook, simmersAt } from '../../pot/cook';
import { FAT_BOUND } from '../../thicken/equalParts';
import { COOK_OUT_MINUTES } from '../../thicken/granules';
import { THICKENERS } from '../../thickeners/thickeners';
import { reasonWords } from '../../words/dairy';
import { joined } from '../means/joined';
import { NO_BOIL, shortBy } from '../means/short';
import { boiledCream } from '../means/starch';
import { letDown } from '../means/thinner';
import type { Measured } from '../measured';
import type { Option, Wishes } from '../option';
import { type Means, tried } from '../trial/trial';
import { type Cures, liftedFirst, mended, RIGHT, shareOf } from './case';

/** Share of a scorched pot that is left behind when it is poured off without scraping. Our assumption. */
const LEFT_BEHIND = 0.1;

/** °C of dairy out of the fridge: how it went in nobody has said. Common practice, no source. */
const FROM_FRIDGE = 5;

/** Whether it is of a kind that turns slimy with milk. */
const slimy = (id: string): boolean => {
  const { thickener } = ingredient(id);
  return thickener !== undefined && THICKENERS[thickener].slimyWithMilk === true;
};

const withoutYolk = (measured: Measured): Measured => ({
  ...measured,
  pot: {
    ...measured.pot,
    yolkPeak: 0,
    thickeners: measured.pot.thickeners.map((t) => (t.kind === 'yolk' ? { ...t, strength: 0 } : t)),
  },
});

/** Share of its liquid a slimy pot is let down by. Common practice, no source. */
const LET_DOWN = 0.2;

/** What lets a pot down: a stock it is made of, as far as it is to hand, else water. */
const stockFor = (measured: Measured, { larder }: Wishes): string =>
  measured.contains.find((id) => larder.includes(id) && ingredient(id).group === 'liquid') ?? 'water';

/** Cream for a litre of split soup, mL, and starch for that cream, g. Common practice, no source. */
const CREAM_PER_LITRE = 60;
const STARCH_IN_CREAM = 12;

/**
 * Starch-bound cream that holds a split soup together: by the litre, for binding and not for thickness. Where
 * that makes it thicker than it should be, stock lets it down again, as much as that takes.
 */
function bindingCream(measured: Measured, wishes: Wishes): Option {
  const cream: Means = { ...boiledCream(shortBy(measured)), title: message('Cream bound with cornstarch') };
  const g = ((volumeMl(measured.pot) / 1000) * CREAM_PER_LITRE) / STARCH_IN_CREAM;
  const alone = tried(measured, cream, wishes, g);
  if (alone.viscosity < measured.target * (1 + RIGHT)) return alone;
  const ml = volumeMl(measured.pot);
  const both = tried(
    measured,
    { ...joined(cream, g, letDown(measured, stockFor(measured, wishes))), guess: ml / 10, most: ml },
    wishes,
  );
  // Bound too thick and in time is better than right and too late.
  return both.struck !== null && alone.struck === null ? alone : both;
}

/** Faults of the soup itself. */
export const OF_THE_SOUP: Cures<
  | 'lumps'
  | 'split'
  | 'yolk set'
  | 'scorched'
  | 'greasy'
  | 'raw flour'
  | 'gluey'
  | 'slimy'
  | 'skin'
  | 'too dark'
> = {
  lumps: ({ sieve, cure, measured, wishes }) => {
    const wheat = measured.pot.thickeners.filter((t) => t.dry > 0);
    return cure({
      title: message('Blend it, or sieve it'),
      how: [
        message('take it off the flame'),
        ...liftedFirst(measured),
        message('blend it smooth; or through a sieve, the lumps rubbed through with a ladle'),
        measured.pot.yolkPeak > 0
          ? message('warm it to {at80}, then judge the thickness anew', { at80: { celsius: 80 } })
          : message('simmer two minutes, then judge the thickness anew'),
      ],
      saves: message('All of it. Blended it keeps its flour; sieved it loses what is left in the sieve.'),
      cannot: wheat.length ? message('Lumps left in stay raw inside, however long it simmers.') : null,
      option: mended(measured, wishes),
      minutes: sieve + 2,
    });
  },
  split: ({ sieve, seen, cure, measured, wishes }) => {
    const fatPercent = seen.fatFraction * 100;
    const risk = splitRisk({
      pH: Math.min(10, Math.max(1, seen.pH)),
      celsius: Math.min(105, Math.max(0, seen.celsius)),
      boiled: seen.celsius > boilsAt(measured.kitchen) - 3,
      fatPercent: Math.min(100, fatPercent),
      saltPercent: seen.saltPercent,
      equivalents: seen.equivalents,
      shock: Math.max(0, seen.celsius - FROM_FRIDGE),
    });
    const bound = bindingCream(measured, wishes);
    const [worst] = risk.reasons;
    const why = worst && reasonWords(worst);
    return cure({
      title: message('Cool it a little, blend, bind with starch and cream'),
      how: [
        message('off the flame at once, under {at80}', { at80: { celsius: 80 } }),
        ...liftedFirst(measured),
        message('blend it smooth and sieve it: the grain is milk curd'),
        ...(bound.struck === null
          ? []
          : [
              message('whisk what starch there is into cold cream or milk, boil that a minute, stir it in'),
              NO_BOIL,
            ]),
      ],
      saves: message('The taste and nearly all of the look, when it is blended while it is hot.'),
      cannot: why
        ? message('The curd does not dissolve again: unblended it stays grainy. It split because {why}.', {
            why: why.says,
          })
        : message('The curd does not dissolve again: unblended it stays grainy.'),
      startAgain:
        risk.grade === 'will split'
          ? message('It will split again while {says}: {do}.', {
              says: why?.says ?? message('it is so'),
              do: why?.do ?? message('change that first'),
            })
          : null,
      option: bound,
      minutes: sieve + 4,
    });
  },
  'yolk set': ({ sieve, cure, measured, wishes }) => {
    const bound = mended(withoutYolk(measured), wishes);
    return cure({
      title: message('Blend and sieve; bind it anew without egg'),
      how: [
        message('off the flame'),
        ...liftedFirst(measured),
        message('blend it, then a fine sieve'),
        ...(bound ? [] : [message('the egg no longer thickens: bind it with a starch')]),
      ],
      saves: message('A smooth soup that tastes a little of egg.'),
      cannot: message('Set yolk does not bind again, and the shine is gone.'),
      option: bound,
      minutes: sieve * 2 + 1,
    });
  },
  scorched: ({ ml, anew, cure, measured, wishes }) => {
    const left = shareOf(measured, 1 - LEFT_BEHIND);
    return cure({
      title: message('Pour it off, do not scrape'),
      how: [
        message('off the flame, do not stir, do not scrape'),
        message('pour into a clean pot what comes by itself: about {ml} of {ml2}', {
          ml: { ml: ml * (1 - LEFT_BEHIND) },
          ml2: { ml },
        }),
        message('taste it in a clean spoon after a minute'),
        message('read the level in the new pot and write it down'),
      ],
      saves: message('What has not taken the taste.'),
      cannot: message('No spice covers a burnt taste: if it tastes of it, it goes.'),
      startAgain: anew,
      option: mended(left, wishes),
      minutes: 3,
    });
  },
  greasy: ({ cure, measured }) => {
    const flour = measured.pot.thickeners.reduce((sum, t) => sum + t.dry, 0);
    const over = Math.max(0, measured.pot.freeFat - flour * FAT_BOUND);
    return cure({
      title: over > 1 ? message('Skim about {over} of fat', { over: { g: over } }) : message('Skim it'),
      how: [
        message('off the boil, let it stand two minutes'),
        message('a ladle along the rim, or a sheet of paper over the top'),
        message('hot fat into a tin, never down the drain'),
      ],
      saves: message('All of it.'),
      cannot:
        over > 1
          ? message('The starch in it binds {flour}; the rest floats whatever you do.', {
              flour: { g: flour * FAT_BOUND },
            })
          : null,
      minutes: 4,
    });
  },
  'raw flour': ({ ml, anew, cure, measured }) => {
    if (measured.pot.yolkPeak > 0)
      return cure({
        title: message('It cannot be cooked out any more'),
        how: [message('a knob of butter, lemon and pepper cover some of it'), message('taste it again')],
        saves: message('A little.'),
        cannot: message('There is yolk in it: it may not simmer, and nothing else cooks flour out.'),
        startAgain: anew,
        minutes: 2,
      });
    const cookedFor = Math.min(
      ...measured.pot.thickeners.filter((t) => t.kind === 'wheat').map((t) => t.cookedMinutes),
      COOK_OUT_MINUTES,
    );
    const minutes = Math.max(2, COOK_OUT_MINUTES - (Number.isFinite(cookedFor) ? cookedFor : 0));
    const after = cook(
      measured.pot,
      { flame: 0.6, lid: 'ajar', hold: simmersAt(measured.kitchen) },
      measured.kitchen,
      {
        forSeconds: minutes * 60,
      },
    );
    const lost = ml - volumeMl(after.pot);
    return cure({
      title: message('Simmer it {minutes} min more', { minutes: Math.ceil(minutes) }),
      how: [
        message('lid ajar, just at the simmer, stir the bottom'),
        ...(lost > ml * 0.03
          ? [message('it loses {lost} on the way: have that much stock ready', { lost: { ml: lost } })]
          : []),
        message('taste again: paste becomes nut'),
      ],
      saves: message('All of it.'),
      cannot: null,
      minutes,
    });
  },
  gluey: ({ anew, cure }) => {
    return cure({
      title: message('Stop blending, let it down with milk or cream'),
      how: [
        message('no more blender, no more whisk'),
        message('let it down with hot milk or cream, folded in'),
        message('if it still strings, sieve in fresh-cooked potato by hand'),
      ],
      saves: message('A soup that pours; the strings stay a little.'),
      cannot: message('Burst potato starch does not mend.'),
      startAgain: anew,
      minutes: 4,
    });
  },
  slimy: ({ seen, cure, measured, wishes }) => {
    const amount = Math.round((seen.waterMl * LET_DOWN) / 10) * 10;
    const bound = mended(measured, { ...wishes, larder: wishes.larder.filter((id) => !slimy(id)) }, [
      { kind: 'add', items: [{ ingredient: stockFor(measured, wishes), amount }] },
    ]);
    return cure({
      title: message('Let it down, bind with another starch'),
      how: [
        message('no more arrowroot: with milk it does this'),
        ...(bound
          ? []
          : [
              message('let it down with {amount} of stock, bind it with another starch', {
                amount: { ml: amount },
              }),
            ]),
      ],
      saves: message('Most of it: the slide gets less, it does not go.'),
      cannot: message('The arrowroot in it cannot be taken out.'),
      option: bound,
      minutes: 1,
    });
  },
  skin: ({ cure }) => {
    return cure({
      title: message('Lift it off'),
      how: [
        message('lift it off with a spoon or paper, do not stir it in'),
        message('a few flakes of butter on top, lid on'),
      ],
      saves: message('All of it.'),
      cannot: message('Stirred in it stays as shreds: then sieve.'),
      minutes: 1,
    });
  },
  'too dark': ({ cure }) => {
    return cure({
      title: message('Cream or milk lightens it; the roast stays'),
      how: [
        message('stir in warm cream or milk, a ladle at a time, until it is light enough'),
        message('then look at the thickness again'),
      ],
      saves: message('A lighter soup that tastes a little of roast.'),
      cannot: message(
        'What was browned stays brown: how much cream it takes depends on the eye, not on a sum.',
      ),
      minutes: 3,
    });
  },
};
