import type { Keeping, Place, PlaceKind } from '../kitchen/keeping';
import { counting } from '../record/counting';
import type { Course } from '../safety/course';
import type { CoolingWay } from './cool/ways';
import type { Container, KeepBodyOf, KeepEvent } from './events';
import type { Deviation, Done } from './safe/deviation';

/** What is known of something kept: its lines in the order they were received, and what it was parted from. */
export type Lot = {
  readonly id: string;
  readonly events: readonly KeepEvent[];
  readonly from?: Lot | undefined;
};

/** How something kept stands. */
const LOT_STAGES = ['hot', 'cooling', 'cold', 'frozen', 'thawing', 'reheating', 'over'] as const;
export type LotStage = (typeof LOT_STAGES)[number];

/** A temperature of something kept. */
export type KeptReading = {
  readonly at: number;
  readonly celsius: number;
  readonly from: string | null;
  readonly event: KeepEvent;
};

/** Under the limit on the pass: since when it can have been, when it was first and last read so, ms, and °C then. */
export type Under = {
  readonly since: number;
  readonly first: number;
  readonly last: number;
  readonly celsius: number;
};

/** Something kept, as its lines make it; times are ms. */
export type LotState = {
  readonly id: string;
  readonly put: KeepBodyOf<'put by'>;
  readonly putAt: number;
  readonly stage: LotStage;
  /** The stage it is in, or was in before it was over. */
  readonly was: LotStage;
  readonly since: number;
  readonly place: string;
  readonly container: Container;
  readonly lid: boolean;
  /** mL left of it. */
  readonly ml: number;
  /** Its own readings, and before them those of what it was parted from. */
  readonly readings: readonly KeptReading[];
  /** How it was set to cool last, and when; and when it was first. */
  readonly way: CoolingWay | null;
  readonly wayAt: number;
  readonly coolingFrom: number | null;
  readonly cooledAt: number | null;
  /** What its readings say of the rule's limits; a reheating to the rule's own figure begins another. */
  readonly course: Course;
  /** Whether it was ever hot here: how it cooled is on this record, or missing from it. */
  readonly wasHot: boolean;
  /** Which of its courses that is: the first until it is reheated. */
  readonly courses: number;
  /** Under the limit on the pass, until it is reheated or cools. */
  readonly under: Under | null;
  /** Over the limit where it is stored: since when it can have been, ms, and the deviation it is. */
  readonly warm: { readonly since: number; readonly deviation: string } | null;
  /** What lines of it went against; what a time that went by does is for {@link judge}. */
  readonly deviations: readonly Deviation[];
  /** How many of those keep it from being called safe: known to, or where nobody can tell. */
  readonly spoilt: { readonly known: number; readonly untold: number };
  /** What was done about deviations, by their ids. */
  readonly done: ReadonlyMap<string, Done>;
  /** Whether its grace under the limit, where the rule gives one, was used. */
  readonly graced: boolean;
  /** Stretches of being frozen; the last may be open. */
  readonly frozen: readonly { readonly from: number; readonly to: number | null }[];
  /** How often it was brought back hot, and where it stands for that now. */
  readonly reheats: number;
  readonly on: KeepBodyOf<'reheating'> | null;
  readonly paired: { readonly device: string; readonly name: string } | null;
  readonly labels: number;
  readonly over: {
    readonly at: number;
    readonly body: KeepBodyOf<'thrown away'> | KeepBodyOf<'used up'> | null;
  } | null;
  /** Lines that count, by the time they happened. */
  readonly events: readonly KeepEvent[];
};

/** A reading this long before, ms, still says how warm it was when it was moved, or a way of cooling chosen. */
export const JUST = 10 * 60_000;

/** What something kept is judged by: the kitchen's places, and its rules. */
export type KeptBy = Pick<Keeping, 'places' | 'rules' | 'tightened' | 'dayEnds'>;

/** Lines that count: by the time they happened, without those taken back. */
export const standingLines: (events: readonly KeepEvent[]) => readonly KeepEvent[] = counting;

/**
 * When a line happened, ms: as written, with its station's clock put right; never after the server had it, so that a clock
 * that runs ahead cannot put a reading where nobody has been yet.
 */
export const happened = ({ at, receivedAt }: KeepEvent): number =>
  receivedAt === undefined ? Date.parse(at) : Math.min(Date.parse(at), Date.parse(receivedAt));

const AT: Readonly<Record<PlaceKind, LotStage>> = {
  bath: 'hot',
  ring: 'hot',
  worktop: 'cooling',
  'ice bath': 'cooling',
  blast: 'cooling',
  'cold room': 'cold',
  fridge: 'cold',
  freezer: 'frozen',
};

export const placeOf = ({ places }: Pick<Keeping, 'places'>, id: string): Place | null =>
  places.find((p) => p.id === id) ?? null;

/** A place no longer in the kitchen counts as cold. */
export const stageAt = (keeping: Pick<Keeping, 'places'>, place: string): LotStage =>
  AT[placeOf(keeping, place)?.kind ?? 'fridge'];
