import type { BodyOf } from '../../core/batch/events';
import { calibrateFunnel, ISO_ORIFICES, type IsoCup } from '../../core/flow/readings/cups';
import { readingFor } from '../../core/flow/readings/reading';
import type { HouseFunnel } from '../../core/kitchen/house';
import { type Message, message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { spaced } from '../../core/units/shown/format';
import { jugWords, massWords, type Show } from '../../core/units/shown/show';

/** A test as the Check offers it: how it is timed, what is read, how it is done. */
export type FlowTestMethod = {
  readonly id: string;
  readonly words: Message | string;
  readonly draws: 'cup' | 'ring' | 'spoon' | 'trough' | 'syringe';
  /** Null for the syringe, which gives a level and no viscosity. */
  readonly test: BodyOf<'flow'>['test'] | null;
  /** The stop-watch is the reading, or counts down these seconds before it. */
  readonly waits: number | null;
  readonly unit: 's' | 'mm' | 'g' | 'mL';
  readonly reads: Message;
  readonly range: readonly [number, number];
  readonly how: readonly Message[];
};

const cup = (orifice: IsoCup): FlowTestMethod => ({
  id: `cup-${orifice}`,
  words: message('Flow cup, {orifice} mm', { orifice }),
  draws: 'cup',
  test: { kind: 'cup', orifice },
  waits: null,
  unit: 's',
  reads: message('Flow time'),
  range: [30, 100],
  how: [
    message('Finger under the hole, fill to the brim, level it off.'),
    message('Take the finger away and start.'),
    message('Stop when the stream first breaks.'),
  ],
});

/** Needs nothing but a ring and a printed sheet, and tells any soup. */
export const LINE_SPREAD: FlowTestMethod = {
  id: 'ring',
  words: message('Line spread, {ml} ring', { ml: { millilitres: 100, marked: true } }),
  draws: 'ring',
  test: { kind: 'line spread', ml: 100, seconds: 30 },
  waits: 30,
  unit: 'mm',
  reads: message('Mean radius'),
  range: [10, 300],
  how: [
    message('Ring on the middle of the sheet, {ml} of soup in it.', {
      ml: { millilitres: 100, marked: true },
    }),
    message('Lift the ring straight up and start.'),
    message('After 30 s read the radius on four sides; the mean counts.'),
  ],
};

const SPOON: FlowTestMethod = {
  id: 'spoon',
  words: message('Weighed spoon, 45 × 65 mm'),
  draws: 'spoon',
  test: { kind: 'spoon', widthMm: 45, heightMm: 65, seconds: 10 },
  waits: 10,
  unit: 'g',
  reads: message('Left on the spoon'),
  range: [0.01, 200],
  how: [
    message('Spoon on the scale, tare. Dip it, hold it upright, start.'),
    message('After 10 s wipe the drop at its tip and lay it on the scale.'),
    message('Read what stayed, in grams (an ounce is 28.35).'),
  ],
};

const TROUGH: FlowTestMethod = {
  id: 'trough',
  words: message('Trough, 50 × 20 mm gate'),
  draws: 'trough',
  test: { kind: 'trough', mm2: 1000, seconds: 30 },
  waits: 30,
  unit: 'mm',
  reads: message('How far it ran'),
  range: [20, 1000],
  how: [
    message('Trough dead level, gate shut, fill 50 mm behind it to 20 mm.'),
    message('Lift the gate and start.'),
    message('After 30 s read how far it has run from the back wall.'),
  ],
};

const SYRINGE: FlowTestMethod = {
  id: 'syringe',
  words: message('Syringe, {ml}', { ml: { millilitres: 10, marked: true } }),
  draws: 'syringe',
  test: null,
  waits: 10,
  unit: 'mL',
  reads: message('Left in the syringe'),
  range: [0, 10],
  how: [
    message('No plunger, finger under the tip, fill to {ml}.', { ml: { millilitres: 10, marked: true } }),
    message('Take the finger away and start.'),
    message('At 10 s close it with the finger and read what is left.'),
  ],
};

const funnelKind = (f: HouseFunnel): FlowTestMethod => ({
  id: `funnel-${f.id}`,
  words: f.name,
  draws: 'cup',
  test: {
    kind: 'funnel',
    name: f.name,
    funnel: calibrateFunnel(f.thin, f.thick),
    orificeMm: f.orificeMm,
    ml: f.ml,
  },
  waits: null,
  unit: 's',
  reads: message('Flow time'),
  range: [Math.max(0.5, Math.ceil(calibrateFunnel(f.thin, f.thick).b * 10) / 10), 3600],
  how: [
    message('Finger under the spout, fill to the {ml} mark.', { ml: { millilitres: f.ml, marked: true } }),
    message('Take the finger away and start.'),
    message('Stop when the stream first breaks.'),
  ],
});

/** What a test is read in: instruments marked in grams and millilitres stay so, with what that is beside it. */
export const unitOf = ({ unit }: FlowTestMethod, { volume }: Show): Message =>
  volume === 'L' || unit === 's' || unit === 'mm'
    ? term(unit)
    : unit === 'g'
      ? message('g (an ounce is 28.35)')
      : message('mL (a fluid ounce is 29.57)');

/** A reading of a test, with what that is in the units of whoever reads it: "5.2 g (0.18 oz)". */
export function readWords({ unit }: FlowTestMethod, value: number, show: Show): string {
  const plain = `${spaced(value, value < 10 ? 1 : 0)} ${unit}`;
  if (show.volume === 'L' || unit === 's' || unit === 'mm') return plain;
  return `${plain} (${unit === 'g' ? massWords(value, show) : jugWords(value, show)})`;
}

/** Every test there is here: the house's own funnels first, they were calibrated for this. */
export const kindsFor = (funnels: readonly HouseFunnel[]): readonly FlowTestMethod[] => [
  ...funnels.map(funnelKind),
  ...ISO_ORIFICES.toReversed().map(cup),
  SPOON,
  LINE_SPREAD,
  TROUGH,
  SYRINGE,
];

/** What a test should read for `target` mPa·s in the bowl at `celsius`; null when it cannot tell it. */
export function wouldRead(
  kind: FlowTestMethod,
  target: number,
  celsius: number,
  equivalents: number,
): number | null {
  if (!kind.test) return null;
  try {
    const reading = readingFor(kind.test, target, celsius, equivalents);
    return Number.isFinite(reading) ? reading : null;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}
