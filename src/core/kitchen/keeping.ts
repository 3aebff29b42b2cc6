import * as z from 'zod';
import { issue } from '../message/told';
import { loosened, RULE_SETS, RULES, type RuleSet, rulesOf, tightest } from '../safety/rules';
import { named } from '../units/named';
import { numberFrom } from '../units/numberFrom';
import { unique } from './unique';

const Id = z.string().regex(/^[a-z0-9-]{1,60}$/, issue('id is small letters, digits and hyphens'));
const Name = named(60);

/** A pan or tub soup is put into, by its inside measures. */
const PanSchema = z.object({
  id: Id,
  name: Name,
  lengthMm: numberFrom('length', 60, 700, 'mm'),
  widthMm: numberFrom('width', 60, 700, 'mm'),
  depthMm: numberFrom('depth', 20, 300, 'mm'),
  /** How many the kitchen has. */
  count: z.int().min(1, issue('at least one')).max(200),
});
export type Pan = z.infer<typeof PanSchema>;

/** What a place does to what stands there. */
export const PLACE_KINDS = [
  'bath',
  'ring',
  'worktop',
  'ice bath',
  'blast',
  'cold room',
  'fridge',
  'freezer',
] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** Somewhere soup is kept hot, cooled or stored; °C it is kept at. */
export const PlaceSchema = z.object({
  id: Id,
  name: Name,
  kind: z.enum(PLACE_KINDS),
  celsius: numberFrom('temperature', -45, 98, '°C'),
});
export type Place = z.infer<typeof PlaceSchema>;

const TightenedSchema = z.object({
  hot: numberFrom('hot', 0, 95, '°C').optional(),
  cold: numberFrom('cold', 0, 20, '°C').optional(),
  cooling: numberFrom('the share of the time', 0.1, 1).optional(),
  reheat: numberFrom('reheat', 0, 100, '°C').optional(),
  days: z.int().min(1).max(30).optional(),
});

/** How a kitchen keeps its soup: whose rules, what it asks beyond them, and what it keeps it in and at. */
export const KeepingSchema = z
  .object({
    rules: z.enum(RULE_SETS).default('fda'),
    tightened: TightenedSchema.default({}),
    /** The hour at which the kitchen’s day ends: until then it is still the evening before. */
    dayEnds: z
      .int({ error: issue('the hour a day ends at is a whole one') })
      .min(0, issue('from 0, midnight'))
      .max(11, issue('to 11 in the morning'))
      .default(4),
    /** Minutes between two probings of what is kept hot. */
    probeEvery: numberFrom('minutes between two probings', 10, 240, 'min').default(60),
    /** Ice wands at hand: bottles of ice that are stirred through a pot. */
    wands: z.int().min(0).max(20).default(0),
    pans: z.array(PanSchema).max(40).superRefine(unique('pans', 'id')),
    places: z.array(PlaceSchema).min(1).max(40).superRefine(unique('places', 'id')),
  })
  .superRefine(({ rules, tightened }, ctx) => {
    const bounds = tightest(RULES[rules]);
    for (const name of loosened(rules, tightened)) {
      const [low, high] = bounds[name];
      ctx.addIssue({
        code: 'custom',
        path: ['tightened', name],
        message: issue('a rule may be tightened, never loosened: from {low} to {high}', { low, high }),
      });
    }
  });
export type Keeping = z.infer<typeof KeepingSchema>;

/** The rules a kitchen keeps, with what it asks for beyond them, by its own day. */
export const rulesKept = ({
  rules,
  tightened,
  dayEnds,
}: Pick<Keeping, 'rules' | 'tightened' | 'dayEnds'>): RuleSet => ({
  ...rulesOf(rules, tightened),
  dayEnds,
});

/** What a kitchen that has said nothing has: pans of the sizes of EN 631, and a place of each kind. */
export const USUAL_KEEPING: Keeping = {
  rules: 'fda',
  tightened: {},
  dayEnds: 4,
  probeEvery: 60,
  wands: 0,
  pans: [
    { id: 'full-65', name: 'Full pan 65', lengthMm: 510, widthMm: 305, depthMm: 65, count: 6 },
    { id: 'full-100', name: 'Full pan 100', lengthMm: 510, widthMm: 305, depthMm: 100, count: 4 },
    { id: 'half-100', name: 'Half pan 100', lengthMm: 305, widthMm: 245, depthMm: 100, count: 8 },
    { id: 'tub-2', name: 'Tub 2 L', lengthMm: 180, widthMm: 130, depthMm: 95, count: 20 },
  ],
  places: [
    { id: 'bath', name: 'Hot bath', kind: 'bath', celsius: 82 },
    { id: 'ring', name: 'Low ring', kind: 'ring', celsius: 75 },
    { id: 'worktop', name: 'Worktop', kind: 'worktop', celsius: 24 },
    { id: 'ice', name: 'Ice bath', kind: 'ice bath', celsius: 1 },
    { id: 'cold-room', name: 'Cold room', kind: 'cold room', celsius: 3 },
    { id: 'fridge', name: 'Fridge', kind: 'fridge', celsius: 4 },
    { id: 'freezer', name: 'Freezer', kind: 'freezer', celsius: -20 },
  ],
};
