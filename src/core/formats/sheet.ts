import { stockPlanFor } from '../compare/beside/stockPlan';
import type { House } from '../kitchen/house';
import { term } from '../message/term';
import type { TimedOrder } from '../order/order';
import { garnishOf } from '../plan/bowl/garnish';
import { garnishHow } from '../plan/bowl/garnishWords';
import type { Plan, WeighLine } from '../plan/types';
import { warningLine } from '../plan/warningWords';
import { type Reader, type Words, wordsFor } from '../text/inWords';
import { duration, mPas } from '../units/shown/format';
import { jugWords, massWords, type Show, volumeIn, volumeWords } from '../units/shown/show';
import { placeWords } from '../words/pans';
import { detailsOf, fireWords, READ_IN_LITRES, titleOf } from '../words/steps';

/** A plan as it goes on paper: words only, times on the clock. */
export type PlanSheet = {
  /** The stock made here before it. */
  readonly first?: PlanSheet;
  readonly title: string;
  readonly order: string;
  /** Pans beside the pot, each with where it stands. */
  readonly beside: readonly string[];
  readonly fire: string;
  readonly lines: readonly {
    readonly figure: string;
    readonly unit: string;
    readonly name: string;
    readonly aside: string;
    readonly dose: boolean;
  }[];
  readonly steps: readonly {
    readonly at: string;
    readonly title: string;
    readonly details: string;
    readonly look: string;
    readonly takes: string;
  }[];
  /** What is held back for the bowls. */
  readonly bowl: readonly string[];
  readonly cautions: readonly string[];
};

const DAY = 24 * 60;

/** The wall clock `seconds` before or after "18:30". */
export function clockFrom(time: string, seconds: number): string {
  const [h = 0, m = 0] = time.split(':').map(Number);
  const at = (((Math.round(h * 60 + m + seconds / 60) % DAY) + DAY) % DAY) | 0;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}

/** A figure and the unit after it. Of pounds with ounces the ounces are the unit's. */
function parted(words: string): readonly [string, string] {
  const [, figure = words, unit = ''] = /^(.*) (fl oz|\S+)$/.exec(words) ?? [];
  return [figure, unit];
}

/** The figure to read and its unit: grams on the scale, litres or gallons for what is poured. */
export function figureOf(line: Pick<WeighLine, 'g' | 'ml'>, show: Show): readonly [string, string] {
  if (line.ml !== null && line.ml >= READ_IN_LITRES) {
    const { figure, unit } = volumeIn(line.ml, show);
    return [figure, unit];
  }
  if (line.ml !== null) return parted(jugWords(Math.round(line.ml / 5) * 5, show));
  return parted(massWords(line.g, show));
}

/** What stands beside the figure: untrimmed weight, spoons and cups, or the weight of what is poured. */
export function asideOf(line: WeighLine, say: Words): string {
  if (line.asPurchased > line.g * 1.02)
    return say('{asPurchased} untrimmed', { asPurchased: { g: line.asPurchased } });
  return line.ml === null ? line.measure : say('{g}', { g: { g: line.g } });
}

/** The plan of an order for paper, with the stock that is made for it before and what is held back for the bowls. */
export function orderSheet(plan: Plan, order: TimedOrder, house: House, show: Reader): PlanSheet {
  const say = wordsFor(show);
  const { serveAt } = order;
  const stock = stockPlanFor(plan, order, house);
  const sheet = {
    ...planSheet(plan, serveAt, show),
    bowl: garnishOf(plan, order.garnish ?? [], order.ladleMl).map((l) =>
      say('{g} {what}, {each} on each of {portions}: {how}.', {
        g: { g: l.raw },
        what: { within: term(l.name) },
        each: { g: l.each },
        portions: l.portions,
        how: garnishHow(l),
      }),
    ),
  };
  if (!stock) return sheet;
  const wanted = clockFrom(serveAt, stock.wantedAt - plan.seconds);
  return { ...sheet, first: planSheet(stock.plan, wanted, show) };
}

/** The plan for paper, served at `serveAt` ("18:30"). */
export function planSheet(plan: Plan, serveAt: string, show: Reader): PlanSheet {
  const say = wordsFor(show);
  const light = clockFrom(serveAt, -plan.seconds);
  const { setup, found, aim } = plan;
  return {
    title: plan.recipeName,
    order: say(
      '{litres}, {band} ({bowlViscosity} mPa·s in the bowl), in {pot} on {burner}, for {serveAt}. Light the flame at {light}.',
      {
        litres: { litres: aim.litres },
        band: term(found.band),
        bowlViscosity: mPas(found.bowlViscosity),
        pot: setup.vessel.name,
        burner: setup.burner.name,
        serveAt,
        light,
      },
    ),
    beside: Object.entries(plan.beside).map(([name, place]) =>
      say('“{name}”: {place}', { name, place: placeWords(place) }),
    ),
    fire: say('{fire} Gives off {steam} of water; fullest {peak} of {rim}.', {
      fire: fireWords(plan.steps.filter((s) => s.pan === '')) ?? '',
      steam: { ml: plan.steamG },
      peak: { ml: plan.peakMl },
      rim: { ml: plan.rimMl },
    }),
    lines: plan.weighOut.map((l) => {
      const [figure, unit] = figureOf(l, show);
      return {
        figure,
        unit,
        name: say(term(l.name)),
        aside: [l.pan ? say('for “{pan}”', { pan: l.pan }) : '', l.prep, asideOf(l, say)]
          .filter(Boolean)
          .join(' · '),
        dose: l.solved === 'thickness',
      };
    }),
    steps: [
      ...plan.steps.map((s) => ({
        at: clockFrom(light, s.startsAt),
        title: titleOf(s.step, s.from, show),
        details: [
          ...(s.pan ? [say('in “{pan}”', { pan: s.pan })] : []),
          ...detailsOf(s.step, s.from, show),
        ].join(' · '),
        look: s.step.look ?? '',
        takes: s.seconds >= 30 ? duration(s.seconds) : '',
      })),
      {
        at: serveAt,
        title: plan.steps.at(-1)?.step.kind === 'strain' ? say('Into the soup') : say('On the pass'),
        details: volumeWords(found.volumeMl, show),
        look: '',
        takes: '',
      },
    ],
    bowl: [],
    cautions: plan.warnings.map((w) => say(warningLine(w))),
  };
}
