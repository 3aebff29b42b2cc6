import { useEffect, useMemo, useRef, useState } from 'react';
import type { Ticket } from '../../core/batch/ticket';
import { mendsFor } from '../../core/service/arrange/mend';
import { boardOf, moved, settled } from '../../core/service/board';
import type { BoardPlace, Service } from '../../core/service/service';
import { useNow } from '../device/useNow';
import type { Shelf } from '../order/stores';
import { withPass } from './board/PassTags';
import { didChange, opened } from './undoService';
import { minuteOf, useLive } from './useLive';
import { useScheduler } from './useScheduler';
import type { KeptService } from './useService';

/** Minutes of a day a board goes on for: it ends at noon of the next. */
const DAY = 2160;

/** Makes what is changed on the board a thing that can be taken back, as long as the board is open. */
function useUndo({ service, change }: KeptService): (next: Service) => void {
  const latest = useRef({ service, change });
  latest.current = { service, change };
  useEffect(
    () =>
      opened(service.id, {
        now: () => latest.current.service,
        change: (next) => latest.current.change(next),
      }),
    [service.id],
  );
  return (next) => {
    didChange(service, next);
    change(next);
  };
}

/** What is put on the board once, when it comes: a day that was arranged. */
function useArranged<O>(outcome: O, put: (outcome: NonNullable<O>) => void): void {
  const [taken, setTaken] = useState(outcome);
  if (outcome === taken) return;
  setTaken(outcome);
  if (outcome) queueMicrotask(() => put(outcome));
}

/** A service laid out: where everything lies and is tried, what clashes and what mends that, and moving it. */
export function useBoard(stores: Shelf, kept: KeptService, tickets: readonly Ticket[], calm: () => void) {
  const { service } = kept;
  const ms = useNow();
  const live = useLive(service, tickets, ms);
  const scheduler = useScheduler(stores, service);
  const minute = ms === null ? null : Math.floor(minuteOf(service.day, ms));
  const now = minute !== null && minute >= 0 && minute < DAY ? minute : null;
  const [trying, setTrying] = useState<{ key: string; to: Partial<BoardPlace> } | null>(null);
  const ready = scheduler.missing === 0;
  // Where bars lie is known when all of them are: before that they would move under a finger.
  const [laid, setLaid] = useState(false);
  if (ready && !laid) setLaid(true);
  const liveKey = JSON.stringify(live);
  const { tables, outcome } = scheduler;
  const here = useMemo(
    () => ({ house: stores.house, tables, live: JSON.parse(liveKey) as typeof live, now }),
    [stores.house, tables, liveKey, now],
  );
  const lying = useMemo(() => settled(service, here), [service, here]);
  const base = useMemo(() => boardOf(lying, here), [lying, here]);
  const board = useMemo(
    () => (trying ? boardOf(moved(lying, here, trying.key, trying.to), here) : base),
    [lying, trying, here, base],
  );
  const [clashAt, setClashAt] = useState(0);
  const clash = board.clashes[clashAt % Math.max(1, board.clashes.length)];
  const mends = useMemo(
    () => (clash && ready && !trying ? mendsFor(lying, here, clash) : []),
    [clash, ready, trying, lying, here],
  );
  const did = useUndo(kept);
  const set = (next: Service) => {
    calm();
    did(next);
  };
  const onService = (next: Service) => {
    scheduler.stop();
    set(next);
  };
  useArranged(outcome, (o) => {
    if (o.kind === 'arranged') set({ ...lying, placed: { ...lying.placed, ...o.arranged.placed } });
  });
  return {
    now,
    scheduler,
    outcome,
    ready,
    base,
    /** As it would lie with what is dragged where it is now; empty until all of it is known. */
    board,
    drawn: laid ? board : { ...board, bars: [], hands: [] },
    setTrying,
    clash,
    nextClash: () => setClashAt((n) => n + 1),
    mends,
    set,
    /** What was being arranged is given up for it. */
    onService,
    move: (key: string, to: Partial<BoardPlace>) => onService(moved(lying, here, key, to)),
    pass: (from: number, to: number) => {
      const next = withPass(service, from, to);
      if (next) onService(next);
    },
    arrange: () => {
      calm();
      scheduler.arrange({ service: lying, live, now });
    },
  };
}
export type BoardHere = ReturnType<typeof useBoard>;
