import * as z from 'zod';
import { ISO_ORIFICES } from '../flow/readings/cups';
import { isIngredient, notCatalogued } from '../food/catalogue';
import { issue } from '../message/told';
import { PanName } from '../pot/kinds/shapes';
import { Step } from '../pot/step';
import { COMMON, lineOf, readCelsius, words } from '../record/line';
import { ROUX_COLOURS } from '../thicken/granules';
import { numberFrom } from '../units/numberFrom';

/** A step of a batch: its place in the plan, or the id of the event that added it. */
export const StepKey = z.union([z.int().min(0).max(80), z.uuid()]);
export type StepKey = z.infer<typeof StepKey>;

/** What a fork finds in the largest piece. */
export const FORK = ['hard', 'nearly', 'tender', 'falling'] as const;
/** What a tongue finds. */
export const TASTE = ['flat', 'right', 'salty'] as const;
/** What an eye finds. */
export const LOOKS = ['smooth', 'lumps', 'split', 'skin', 'scorched'] as const;
/** Where a finished batch goes. */
export const GOES_TO = ['pass', 'hold', 'cool', 'bin'] as const;
export type Fork = (typeof FORK)[number];
export type Taste = (typeof TASTE)[number];
export type Looks = (typeof LOOKS)[number];
export type GoesTo = (typeof GOES_TO)[number];

const seconds = numberFrom('seconds', 1, 86_400, 's');

/** A flow test as it was made. A funnel carries its calibration of that day. */
export const FlowTestSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('cup'),
    orifice: z.literal(ISO_ORIFICES),
  }),
  z.object({
    kind: z.literal('funnel'),
    name: words('the funnel’s name', 60),
    funnel: z.object({ a: z.number().positive(), b: z.number() }),
    orificeMm: numberFrom('the funnel’s opening', 1, 30, 'mm'),
    ml: numberFrom('the funnel’s measure', 5, 2000, 'mL'),
  }),
  z.object({
    kind: z.literal('line spread'),
    ml: numberFrom('the ring', 5, 500, 'mL'),
    seconds: numberFrom('the wait', 1, 600, 's'),
  }),
  z.object({
    kind: z.literal('trough'),
    mm2: numberFrom('the trough’s section', 50, 20_000, 'mm²'),
    seconds: numberFrom('the wait', 1, 600, 's'),
  }),
  z.object({
    kind: z.literal('spoon'),
    widthMm: numberFrom('the spoon’s width', 5, 300, 'mm'),
    heightMm: numberFrom('the spoon’s height', 5, 300, 'mm'),
    seconds: numberFrom('the wait', 1, 120, 's'),
  }),
]);

/** What a station may write down about a batch. Each kind names its body; figures in the units of the core. */
export const EventBody = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('step-done'), step: StepKey }),
  /** A step that goes by itself is under way, and something is done in another pan meanwhile. */
  z.object({ kind: z.literal('step-begun'), step: StepKey }),
  z.object({ kind: z.literal('step-skipped'), step: StepKey, reason: words('the reason', 200) }),
  /** A step the plan did not have, done before its step `before`. With `does` the model cooks it too. */
  z.object({
    kind: z.literal('step-added'),
    before: z.int().min(0).max(81),
    title: words('the step', 120),
    minutes: numberFrom('minutes', 0, 600, 'min').optional(),
    does: Step.optional(),
    /** The test that stands after a correction. */
    checks: z.literal(true).optional(),
  }),
  /** One ladle, pour or jug fill of a step that has several, counted from 0. */
  z.object({ kind: z.literal('part-done'), step: StepKey, part: z.int().min(0).max(99) }),
  /** What really went onto the scale for an item of a step, g. */
  z.object({
    kind: z.literal('weighed'),
    step: z.int().min(0).max(80),
    item: z.int().min(0).max(40),
    g: numberFrom('weight', 0, 2e6, 'g'),
    from: z.string().max(60).optional(),
  }),
  /** Something put in that the plan did not have. */
  z.object({
    kind: z.literal('put-in'),
    ingredient: z.string().refine(isIngredient, {
      error: ({ input }) => notCatalogued(input),
    }),
    g: numberFrom('weight', 0.1, 2e5, 'g'),
    celsius: numberFrom('temperature', -25, 100, '°C').optional(),
  }),
  z.object({ kind: z.literal('colour'), step: z.int().min(0).max(80), colour: z.enum(ROUX_COLOURS) }),
  z.object({
    kind: z.literal('temperature'),
    celsius: readCelsius,
    /** The probe it was read from; absent when read by hand. */
    from: z.string().max(60).optional(),
  }),
  /** °C of a pan beside the pot: of the soup it says nothing, and no limit is met by it. */
  z.object({
    kind: z.literal('pan-temperature'),
    pan: PanName,
    celsius: readCelsius,
    from: z.string().max(60).optional(),
  }),
  z.object({ kind: z.literal('depth'), mm: numberFrom('depth', 1, 1200, 'mm') }),
  z.object({ kind: z.literal('volume'), ml: numberFrom('volume', 20, 600_000, 'mL') }),
  /** What the pot holds by the scale, the pot itself taken off. */
  z.object({
    kind: z.literal('mass'),
    g: numberFrom('weight', 20, 600_000, 'g'),
    from: z.string().max(60).optional(),
  }),
  /** One flow test repeated; the median of `readings` counts, s, mm or g by the test. */
  z.object({
    kind: z.literal('flow'),
    test: FlowTestSchema,
    readings: z
      .array(numberFrom('reading', 0.05, 3600))
      .min(1, { error: issue('a test has at least one reading') })
      .max(9),
    celsius: numberFrom('temperature', 1, 100, '°C'),
  }),
  /** mL left in the 10 mL syringe after 10 s; `flows` false when nothing came. */
  z.object({
    kind: z.literal('syringe'),
    mlLeft: numberFrom('what is left', 0, 10, 'mL'),
    flows: z.boolean(),
    celsius: numberFrom('temperature', 1, 100, '°C').optional(),
  }),
  z.object({ kind: z.literal('salt'), taste: z.enum(TASTE) }),
  z.object({ kind: z.literal('dice'), fork: z.enum(FORK) }),
  z.object({ kind: z.literal('look'), looks: z.enum(LOOKS) }),
  z.object({ kind: z.literal('timer-started'), name: words('the timer’s name', 60), seconds }),
  z.object({ kind: z.literal('timer-stopped'), timer: z.uuid() }),
  /** A device of the kitchen now reads this pot; one of a kind at a time, none with `device` null. */
  z.object({
    kind: z.literal('paired'),
    what: z.enum(['thermometer', 'scale', 'flow timer']),
    device: z.string().min(1).max(60).nullable(),
    name: z.string().max(60).optional(),
  }),
  /** A correction begun: what was wrong, what was chosen, and where it should land, mPa·s in the bowl. */
  z.object({
    kind: z.literal('corrected'),
    faults: z.array(z.string().max(40)).max(20),
    title: words('the correction', 160),
    predicted: numberFrom('what is predicted', 0.1, 100_000, 'mPa·s'),
    low: numberFrom('the bracket', 0.1, 100_000, 'mPa·s'),
    high: numberFrom('the bracket', 0.1, 100_000, 'mPa·s'),
  }),
  z.object({
    kind: z.literal('finished'),
    goesTo: z.enum(GOES_TO),
    yieldMl: numberFrom('yield', 0, 600_000, 'mL').optional(),
    /** How it tasted, 1 to 5. */
    score: z.int().min(1).max(5).optional(),
    note: z.string().max(1000).optional(),
  }),
  /** What was held or cooled is gone: served up, put away, or thrown out. */
  z.object({ kind: z.literal('cleared') }),
  ...COMMON,
]);
export type EventBody = z.infer<typeof EventBody>;
export type BodyOf<K extends EventBody['kind']> = Extract<EventBody, { kind: K }>;

/** One line of a batch's record. */
export const BatchEvent = lineOf(EventBody);
export type BatchEvent = z.infer<typeof BatchEvent>;
