import * as z from 'zod';
import { issue } from '../core/message/told';
import { ACCESS, type Access } from '../core/record/access';
import { words } from '../core/record/line';

/** ms a code stands. */
export const CODE_LASTS = 5 * 60_000;

const Code = z
  .string({ error: issue('the code is six digits') })
  .transform((c) => c.replaceAll(/\s/g, ''))
  .pipe(z.string().regex(/^\d{6}$/, issue('the code is six digits')));

/** What only a lead may do asks for it. */
export const Pin = z
  .string({ error: issue('the PIN is four to twelve digits') })
  .regex(/^\d{4,12}$/, issue('the PIN is four to twelve digits'));

export const StationName = words('the station’s name', 40);

/** A code is asked for: what the station it lets in is called, what it may do, and whose it is, by role. */
export const CodeAsked = z.object({
  name: StationName,
  access: z.enum(ACCESS),
  worksAs: z.string().max(30).default(''),
});
/** The code that was read out; and of which kitchen, where there are several. */
export const PairAsked = z.object({
  code: Code,
  kitchen: z
    .string()
    .regex(/^[a-z0-9-]{1,60}$/, issue('the kitchen is small letters, digits and hyphens'))
    .optional(),
});
export const StationChanged = z.object({ name: StationName });
export const PinAsked = z.object({ pin: Pin });

/** A code as it was made, with what opens it, and where the kitchen is reached from another device. */
export type CodeMade = {
  readonly code: string;
  readonly until: string;
  /** The kitchen it opens, by its id; null where there is no other. */
  readonly kitchen: string | null;
  /** Addresses that open the page where it is typed, with it; none where the kitchen is served to its own machine alone. */
  readonly links: readonly string[];
  /** Where a device comes to trust the kitchen’s own authority first; null where it has none. */
  readonly trust: string | null;
};

/** A station as the lead sees it. */
export type StationTold = {
  readonly id: string;
  readonly name: string;
  readonly access: Access;
  readonly worksAs: string;
  readonly pairedAt: string;
  readonly pairedBy: string;
  readonly seenAt: string;
  readonly revokedAt: string | null;
  /** Whether it is the one that asks. */
  readonly mine: boolean;
};

export type StationsTold = {
  readonly stations: readonly StationTold[];
  readonly pinSet: boolean;
  /** Whether other devices reach this kitchen at all. */
  readonly served: boolean;
};

/** What a page asks of itself: who it is to the kitchen. */
export type Me = {
  readonly kind: 'here' | 'station' | 'stranger';
  readonly name: string;
  readonly access: Access | null;
  readonly raised: boolean;
  readonly pinSet: boolean;
  /** Whether a code is of one of several kitchens: then it is asked which. */
  readonly several: boolean;
};
