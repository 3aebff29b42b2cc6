import type { Message } from '../message/message';
import type { Order } from '../order/order';
import type { Warning, WeighLine } from '../plan/types';
import type { StepKind } from '../pot/kinds/names';
import type { Tool } from './service';
import type { Wait } from './wait';

/** A stretch of a batch's time, whole minutes after lighting its flame. */
export type Stretch = {
  readonly from: number;
  readonly to: number;
  /** Somebody stands at it. */
  readonly hands: boolean;
  readonly tool: Tool | null;
  readonly step: number;
  readonly kind: StepKind;
  readonly title: Message;
};

/** A pan beside a pot on the clock, minutes after the first flame. */
export type PanTime = {
  readonly name: string;
  /** What it is: one of the kitchen’s pots, by its id; null of what it has not written down. */
  readonly vesselId: string | null;
  /** Null in the oven. */
  readonly burnerId: string | null;
  /** Trays of the oven it takes; 0 on a burner. */
  readonly trays: number;
  readonly from: number;
  readonly to: number;
};

/** A batch on the clock, in one pot on one burner: what a board needs to know of its plan. */
export type Timetable = {
  /** Minutes from the flame to ready. */
  readonly minutes: number;
  readonly stretches: readonly Stretch[];
  /** Minutes of one pair of hands to weigh and trim, before. */
  readonly mise: number;
  readonly wait: Wait;
  /** Pans beside its pot that stand on a burner or in the oven, and when. */
  readonly pans: readonly PanTime[];
  readonly weighOut: readonly WeighLine[];
  readonly warnings: readonly Warning[];
  readonly peakMl: number;
  readonly rimMl: number;
  /** Cannot be cooked so: it does not fit, does not boil, or misses its target. */
  readonly stops: boolean;
};

/** Short pauses, minutes, in which nobody goes anywhere else. */
const PAUSE = 3;

type Span = { readonly from: number; readonly to: number };

/** Stretches one after the other with no more than `pause` between, as one. */
function joined(spans: readonly Span[], pause: number): readonly Span[] {
  const found: { from: number; to: number }[] = [];
  for (const s of spans) {
    const last = found.at(-1);
    if (last && s.from <= last.to + pause) last.to = Math.max(last.to, s.to);
    else found.push({ from: s.from, to: s.to });
  }
  return found;
}

/** When somebody stands at it, as few stretches as there are. */
export const handsOf = ({ stretches }: Pick<Timetable, 'stretches'>): readonly Span[] =>
  joined(
    stretches.filter((s) => s.hands),
    PAUSE,
  );

/** When it takes a tool. */
export const toolIn = ({ stretches }: Pick<Timetable, 'stretches'>, tool: Tool): readonly Span[] =>
  joined(
    stretches.filter((s) => s.tool === tool),
    0,
  );

/** A stock made here for a batch: how long its own pot takes, and what of. */
export type StockTable = {
  /** The ingredient it is. */
  readonly ingredient: string;
  readonly table: Timetable;
  readonly name: string;
  readonly order: Order;
};
