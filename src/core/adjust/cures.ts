import { splitRisk } from '../dairy/risk';
import { ingredient } from '../food/catalogue';
import { FILL_LIMIT, rimVolume } from '../heat/vessel';
import { massG, volumeMl } from '../pot/contents';
import { boilsAt, cook, hardest, heatTo, tenderness } from '../pot/cook';
import { observe } from '../pot/observe';
import { LIMITS } from '../safety/cautions';
import { saltBalance } from '../season/salt';
import { FAT_BOUND } from '../thicken/equalParts';
import { duration, litres, spaced } from '../units/format';
import type { Fault } from './faults';
import type { Measured } from './measured';
import type { Cure, Option, Wishes } from './option';
import { thicker } from './thicker';
import { type Draft, solveDose, tried } from './trial';

/** Minutes of simmer after which a pale roux no longer tastes of flour; the quick school. Common practice, no source. */
const COOK_OUT_MINUTES = 10;

/** °C a soup is served at. Common practice, no source. */
const SERVED_AT = 75;

/** Share of a scorched pot that is left behind when it is poured off without scraping. Our assumption. */
const LEFT_BEHIND = 0.1;

/** Minutes to sieve or to blend a litre of hot soup. Common practice, no source. */
const SIEVE_PER_LITRE = 0.4;

/** What is needed to bring the thickness back once something thick was taken out or has gone; the best of the ways to hand. */
function mended(m: Measured, w: Wishes): Option | null {
  const off = solveDose(m, { ...FIRST_AID, steps: () => [] });
  if (off.reached) return null;
  const options = thicker(m, w)
    .filter((d) => d.unit === 'g')
    .map((d) => tried(m, d, w))
    .filter((o) => o.struck === null);
  return options.sort((a, b) => b.chance - a.chance || a.minutes - b.minutes)[0] ?? null;
}

const FIRST_AID: Omit<Draft, 'steps'> = {
  id: 'none',
  title: '',
  how: [],
  guess: 1,
  most: 1,
  unit: 'g',
  needs: [],
  makeReady: 0,
  hangsOn: 'flour',
  forecloses: [],
};

const withoutYolk = (m: Measured): Measured => ({
  ...m,
  pot: {
    ...m.pot,
    yolkPeak: 0,
    thickeners: m.pot.thickeners.map((t) => (t.kind === 'yolk' ? { ...t, strength: 0 } : t)),
  },
});

/** A pot of `share` of what it was, everything in proportion. */
const shareOf = (m: Measured, share: number): Measured => ({
  ...m,
  pot: {
    ...m.pot,
    liquid: Object.fromEntries(
      Object.entries(m.pot.liquid).map(([k, v]) => [k, v * share]),
    ) as typeof m.pot.liquid,
    freeFat: m.pot.freeFat * share,
    sodium: m.pot.sodium * share,
    thickeners: m.pot.thickeners.map((t) => ({
      ...t,
      dry: t.dry * share,
      equivalents: t.equivalents * share,
    })),
    pieces: m.pot.pieces.map((p) => ({ ...p, g: p.g * share, juice: p.juice * share })),
  },
});

/** Faults that are no matter of a dose: what saves what, worked out for this pot. `again` is how long a new one takes, s. */
export function cureFor(fault: Fault, m: Measured, w: Wishes, again: number): Cure | null {
  const ml = volumeMl(m.pot);
  const sieve = Math.max(1, (ml / 1000) * SIEVE_PER_LITRE);
  const seen = observe(m.pot, m.kitchen);
  const cure = (c: Omit<Cure, 'fault' | 'option' | 'startAgain'> & Partial<Cure>): Cure => ({
    fault,
    option: null,
    startAgain: null,
    ...c,
  });
  const anew = `A new one takes ${duration(again)}; you have ${Math.max(0, Math.floor(w.minutes))} min.`;
  switch (fault) {
    case 'lumps': {
      const wheat = m.pot.thickeners.filter((t) => t.dry > 0);
      return cure({
        title: 'Sieve it, or blend it',
        how: [
          'take it off the flame',
          'pour it through a sieve, rub the lumps through with a ladle',
          'or blend it: then it is smooth and keeps all its flour',
          'simmer two minutes, then judge the thickness anew',
        ],
        saves: 'All of it. Blended it keeps its flour; sieved it loses what is left in the sieve.',
        cannot: wheat.length ? 'Lumps left in stay raw inside, however long it simmers.' : '',
        option: mended(m, w),
        minutes: sieve + 2,
      });
    }
    case 'split': {
      const fatPercent = seen.fatFraction * 100;
      const risk = splitRisk({
        pH: Math.min(10, Math.max(1, seen.pH)),
        celsius: Math.min(105, Math.max(0, seen.celsius)),
        boiled: seen.celsius > boilsAt(m.kitchen) - 3,
        fatPercent: Math.min(100, fatPercent),
        saltPercent: seen.saltPercent,
        equivalents: seen.equivalents,
        arrives: 5,
      });
      const cream = thicker(m, w).find((d) => d.id === 'boiled-cream.cornstarch');
      const bound = cream ? bindingCream(m, cream, w) : null;
      return cure({
        title: 'Cool it a little, blend, bind with starch and cream',
        how: [
          'off the flame at once, under 80 °C',
          'blend it smooth and sieve it: the grain is milk curd',
          'whisk a little starch into cold cream, boil that a minute, stir it in',
          'keep it under 85 °C from here',
        ],
        saves: 'The taste and nearly all of the look, when it is blended while it is hot.',
        cannot: `The curd does not dissolve again: unblended it stays grainy.${
          risk.reasons[0] ? ` It split because ${risk.reasons[0].says}.` : ''
        }`,
        startAgain:
          risk.grade === 'will split'
            ? `It will split again while ${risk.reasons[0]?.says ?? 'it is so'}: ${risk.reasons[0]?.change ?? 'change that first'}.`
            : null,
        option: bound,
        minutes: sieve + 4 + (bound?.minutes ?? 0),
      });
    }
    case 'yolk set':
      return cure({
        title: 'Blend and sieve; bind it anew without egg',
        how: [
          'off the flame',
          'blend it, then a fine sieve',
          'the egg no longer thickens: bind it with a starch',
        ],
        saves: 'A smooth soup that tastes a little of egg.',
        cannot: 'Set yolk does not bind again, and the shine is gone.',
        option: mended(withoutYolk(m), w),
        minutes: sieve * 2 + 1,
      });
    case 'scorched': {
      const left = shareOf(m, 1 - LEFT_BEHIND);
      return cure({
        title: 'Pour it off, do not scrape',
        how: [
          'off the flame, do not stir, do not scrape',
          `pour into a clean pot what comes by itself: about ${litres(ml * (1 - LEFT_BEHIND))} of ${litres(ml)} L`,
          'taste it in a clean spoon after a minute',
        ],
        saves: 'What has not taken the taste.',
        cannot: 'No spice covers a burnt taste: if it tastes of it, it goes.',
        startAgain: anew,
        option: mended(left, w),
        minutes: 3,
      });
    }
    case 'greasy': {
      const flour = m.pot.thickeners.reduce((sum, t) => sum + t.dry, 0);
      const over = Math.max(0, m.pot.freeFat - flour * FAT_BOUND);
      return cure({
        title: over > 1 ? `Skim about ${spaced(over)} g of fat` : 'Skim it',
        how: [
          'off the boil, let it stand two minutes',
          'a ladle along the rim, or a sheet of paper over the top',
          'hot fat into a tin, never down the drain',
        ],
        saves: 'All of it.',
        cannot:
          over > 1
            ? `The starch in it binds ${spaced(flour * FAT_BOUND)} g; the rest floats whatever you do.`
            : '',
        minutes: 4,
      });
    }
    case 'raw flour': {
      const cookedFor = Math.min(
        ...m.pot.thickeners.filter((t) => t.kind === 'wheat').map((t) => t.cookedMinutes),
        COOK_OUT_MINUTES,
      );
      const minutes = Math.max(2, COOK_OUT_MINUTES - (Number.isFinite(cookedFor) ? cookedFor : 0));
      const after = cook(m.pot, { flame: 0.6, lid: 'ajar', hold: boilsAt(m.kitchen) - 5 }, m.kitchen, {
        forSeconds: minutes * 60,
      });
      return cure({
        title: `Simmer it ${Math.ceil(minutes)} min more`,
        how: ['lid ajar, just at the simmer, stir the bottom', 'taste again: paste becomes nut'],
        saves: 'All of it.',
        cannot:
          m.pot.yolkPeak > 0 ? 'There is yolk in it: it may not simmer. Nothing else cooks flour out.' : '',
        startAgain: m.pot.yolkPeak > 0 ? anew : null,
        minutes,
        option: null,
        ...(volumeMl(after.pot) < ml * 0.97 && {
          how: [
            'lid ajar, just at the simmer, stir the bottom',
            `it loses ${litres(ml - volumeMl(after.pot))} L on the way: have that much stock ready`,
            'taste again: paste becomes nut',
          ],
        }),
      });
    }
    case 'gluey':
      return cure({
        title: 'Stop blending, let it down with milk or cream',
        how: [
          'no more blender, no more whisk',
          'let it down with hot milk or cream, folded in',
          'if it still strings, sieve in fresh-cooked potato by hand',
        ],
        saves: 'A soup that pours; the strings stay a little.',
        cannot: 'Burst potato starch does not mend.',
        startAgain: anew,
        minutes: 4,
      });
    case 'slimy':
      return cure({
        title: 'Let it down, bind with another starch',
        how: [
          'arrowroot and milk do this: put no more in',
          'let it down with stock by a fifth',
          'bring it back with cornstarch',
        ],
        saves: 'Most of it: the slide gets less, it does not go.',
        cannot: 'The arrowroot in it cannot be taken out.',
        option: mended(withoutStarch(m, 'arrowroot'), w),
        minutes: 5,
      });
    case 'skin':
      return cure({
        title: 'Lift it off',
        how: [
          'lift it off with a spoon or paper, do not stir it in',
          'a few flakes of butter on top, lid on',
        ],
        saves: 'All of it.',
        cannot: 'Stirred in it stays as shreds: then sieve.',
        minutes: 1,
      });
    case 'hard dice': {
      const hard = m.pot.pieces.filter((p) => tenderness(p) < 1);
      const names = [
        ...new Set(hard.map((p) => ingredient(p.ingredient).name.toLowerCase().split(',')[0])),
      ].join(' and ');
      const yolk = m.pot.yolkPeak > 0;
      const simmer = (hold: number) =>
        cook(m.pot, { flame: 1, lid: 'on', hold }, m.kitchen, { progress: (p) => hardest(p) - 1 });
      const hot = (simmer(boilsAt(m.kitchen) - 5).pot.seconds - m.pot.seconds) / 60;
      const gentle = (simmer(84).pot.seconds - m.pot.seconds) / 60;
      const dairy = m.holds.includes('milk');
      return cure({
        title: dairy
          ? `Cook the ${names || 'dice'} out of the pot`
          : `Simmer ${Math.ceil(hot)} min more, lid on`,
        how: dairy
          ? [
              `lift the ${names || 'dice'} out with a sieve spoon`,
              `boil them ${Math.ceil(Math.max(1, hot))} min in a little stock or water, lid on`,
              'back into the soup with a spoon of what they boiled in',
            ]
          : ['lid on, at the simmer', `the fork again after ${Math.ceil(hot)} min`],
        saves: 'All of it.',
        cannot: dairy
          ? `In the pot, under the dairy’s 84 °C, they take ${Math.ceil(gentle)} min${yolk ? ', and the yolk may not boil' : ''}.`
          : '',
        minutes: dairy ? hot + 3 : hot,
      });
    }
    case 'fish nearly done':
      return cure({
        title: 'Lift it out, cool it, back at the last',
        how: [
          'lift it out with a sieve spoon onto a cold tray',
          'lid off, flame off',
          `back in two minutes before service: centre to ${LIMITS.fish.centre} °C for ${LIMITS.fish.forSeconds} s`,
        ],
        saves: 'What is not rubber yet.',
        cannot: 'What is rubber stays it.',
        minutes: 2,
      });
    case 'too full': {
      const limit = rimVolume(m.pot.vessel) * FILL_LIMIT;
      const out = Math.max(0, ml - limit);
      return cure({
        title: out > 0 ? `Ladle ${litres(out)} L out` : 'It is under the headroom line',
        how: [
          `into a clean pot, until it stands at ${litres(limit)} L`,
          'season and thicken both alike, or put them together at the pass',
          'hot soup by the ladle, never by tipping the pot',
        ],
        saves: 'All of it.',
        cannot: '',
        minutes: Math.max(1, out / 2000),
      });
    }
    case 'too cold': {
      const dairy = m.holds.includes('milk') || m.pot.yolkPeak > 0;
      const heated = heatTo(m.pot, SERVED_AT, { flame: dairy ? 0.6 : 1, lid: 'on' }, m.kitchen);
      const minutes = (heated.pot.seconds - m.pot.seconds) / 60;
      return cure({
        title: heated.stalled
          ? 'A stronger flame'
          : `Lid on, ${Math.max(1, Math.ceil(minutes))} min to ${SERVED_AT} °C`,
        how: [
          dairy ? 'middling flame, stir the bottom, never to the boil' : 'full flame, stir the bottom',
          ...(heated.stalled
            ? [`this burner leaves it at ${Math.round(heated.pot.celsius)} °C: take a stronger one`]
            : []),
        ],
        saves: 'All of it.',
        cannot:
          seen.celsius < LIMITS.hotHold.atLeast
            ? `It is under ${LIMITS.hotHold.atLeast} °C: if it was held, reheat it to ${LIMITS.reheat.to} °C, or throw it away.`
            : '',
        minutes: Math.max(0, minutes),
      });
    }
    case 'too hot': {
      const cooled = cook(m.pot, { flame: 0, lid: 'off' }, m.kitchen, {
        progress: (p) => 80 - p.celsius,
        forSeconds: 3600,
      });
      const minutes = (cooled.pot.seconds - m.pot.seconds) / 60;
      return cure({
        title: `Off the flame, lid off, ${Math.max(1, Math.ceil(minutes))} min to 80 °C`,
        how: ['lid off, stir now and then', 'ladled back and forth into a cold pot it takes a third of that'],
        saves: 'All of it.',
        cannot: '',
        minutes,
      });
    }
    case 'too dark':
      return cure({
        title: 'Cream or milk lightens it; the roast stays',
        how: [
          'stir in warm cream or milk, a ladle at a time, until it is light enough',
          'then look at the thickness again',
        ],
        saves: 'A lighter soup that tastes a little of roast.',
        cannot: 'What was browned stays brown: how much cream it takes depends on the eye, not on a sum.',
        minutes: 3,
      });
    case 'too flat': {
      const { toAdd } = saltBalance(Math.max(1, massG(m.pot)), m.pot.sodium, m.kitchen.saltPercent);
      return cure({
        title:
          toAdd >= 0.5
            ? `${spaced(toAdd, toAdd < 10 ? 1 : 0)} g of salt, half of it first`
            : 'It has its salt: try acid',
        how:
          toAdd >= 0.5
            ? ['half of it, stir, taste, then the rest', 'still flat: a squeeze of lemon, or pepper']
            : ['a squeeze of lemon or a spoon of vinegar: no more salt', 'a knob of butter, or pepper'],
        saves: 'All of it.',
        cannot: '',
        minutes: 1,
      });
    }
    default:
      return null;
  }
}

const withoutStarch = (m: Measured, kind: string): Measured => ({
  ...m,
  pot: {
    ...m.pot,
    thickeners: m.pot.thickeners.map((t) =>
      t.kind === kind ? { ...t, equivalents: t.equivalents * 0.8 } : t,
    ),
  },
});

/** Cream for a litre of split soup, mL, and starch for that cream, g. Common practice, no source. */
const CREAM_PER_LITRE = 60;
const STARCH_IN_CREAM = 12;

/** Starch-bound cream that holds a split soup together: by the litre, for binding and not for thickness. */
function bindingCream(m: Measured, draft: Draft, w: Wishes): Option {
  const g = ((volumeMl(m.pot) / 1000) * CREAM_PER_LITRE) / STARCH_IN_CREAM;
  return tried(m, { ...draft, title: 'Cream bound with cornstarch' }, w, g);
}
