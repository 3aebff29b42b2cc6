import type { Message } from '../../message/message';

/** Rules something kept can be gone against. */
export const DEVIATIONS = [
  /** A limit of cooling that was not kept, or cannot be shown to have been. */
  'cooling',
  /** Stored before it was read cold. */
  'stored warm',
  /** Kept hot after it had been under the limit, without being reheated to the rule's figure. */
  'kept hot again',
  /** Under the limit on the pass for longer than the rule lets it. */
  'hot',
  /** Over the limit where it is stored. */
  'cold',
  /** Reheated to less than the rule's figure, for less long, or in more time. */
  'reheating',
  /** Used after the last day of its date mark. */
  'date',
  /** Used though it was to be thrown away. */
  'used all the same',
  /** Read hotter than before while it cooled: it does not warm by itself. */
  'warmer',
] as const;
export type DeviationKind = (typeof DEVIATIONS)[number];

/** What was done about a deviation, by whom and when, ms. */
export type Done = { readonly what: string; readonly by: string; readonly at: number };

/** Something that went against a rule, or cannot be shown not to have. */
export type Deviation = {
  /** Of its kind and what it is about: what an answer names. */
  readonly id: string;
  readonly kind: DeviationKind;
  /** ms. */
  readonly at: number;
  /** The line that went against it; null where a time went by. */
  readonly event: string | null;
  readonly says: Message;
  /** Whether it is known to have been, or cannot be told. */
  readonly known: boolean;
  /** Whether it keeps what is left from being dated and called safe, answered or not. */
  readonly spoils: boolean;
  /** °C last read before it; null where nobody read. */
  readonly celsius: number | null;
  /** Null while nobody has said. */
  readonly done: Done | null;
};
