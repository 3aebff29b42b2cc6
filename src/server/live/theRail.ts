import type { Ticket } from '../../core/batch/ticket';
import { pool } from '../data/database';
import { log, said } from '../log';
import { readRecordHead } from '../queries/seals';
import { work } from '../work/work';
import { isListening, listen } from './live';
import { type Moves, railByPlan } from './rail';

/**
 * What stations are told of the rail: tickets that changed, and the ids of all there are, in their order; the head
 * of the record now and then.
 */
export type RailNews = {
  readonly order: readonly string[];
  readonly tickets: readonly Ticket[];
  readonly head?: string;
};

/** ms a page waits for the model: then it shows the tickets by their plans. */
const PATIENCE = 1500;
/** Several events at once are one change of the rail: it is worked out at most this often, ms, and the last one always comes. */
const TOGETHER = 80;
/** ms after which every ticket is looked at again: pots go on without being tapped. */
const EVERY = 20_000;
/** ms until what failed is tried again. */
const AGAIN = 1000;

type Asked = { readonly running: Promise<readonly Ticket[]>; next: Promise<readonly Ticket[]> | null };
type Teller = (news: RailNews) => void;

/** The rail of this process: worked out once for all stations, moved by each event. The bundled pages find it here. */
type Kept = {
  tickets: readonly Ticket[] | null;
  /** How each looked when it was told last, in their order. */
  told: ReadonlyMap<string, string>;
  head: string | null;
  readonly tellers: Set<Teller>;
  moves: Moves;
  due: ReturnType<typeof setTimeout> | null;
  working: boolean;
};
const NO_MOVES: Moves = { anew: false, told: [], kept: false };
const holder = globalThis as typeof globalThis & { panacheRail?: Asked | null; panacheKeptRail?: Kept };
holder.panacheKeptRail ??= {
  tickets: null,
  told: new Map(),
  head: null,
  tellers: new Set(),
  moves: { ...NO_MOVES, anew: true },
  due: null,
  working: false,
};
const kept = holder.panacheKeptRail;

const idsOf = (tickets: readonly Ticket[]): readonly string[] => tickets.map((t) => t.id);

/** All of it, as a station is told that comes; null while it is not known. */
export const wholeRail = (): RailNews | null =>
  kept.tickets && {
    order: idsOf(kept.tickets),
    tickets: kept.tickets,
    ...(kept.head && { head: kept.head }),
  };

/** A ticket as far as a glance tells it from another: half a degree, ten seconds. */
const seenOf = (t: Ticket): string => {
  const tens = (iso: string) => Math.round(Date.parse(iso) / 10_000);
  return JSON.stringify({
    ...t,
    celsius: Math.round(t.celsius * 2),
    until: tens(t.until),
    readyAt: tens(t.readyAt),
  });
};

/** Tells what of `tickets` looks otherwise than it was told last; nothing where that is nothing. */
function tellChanges(tickets: readonly Ticket[], head: string | null): void {
  const seen = new Map(tickets.map((t) => [t.id, seenOf(t)]));
  const order = idsOf(tickets);
  const changed = tickets.filter((t) => kept.told.get(t.id) !== seen.get(t.id));
  const moved = order.join() !== [...kept.told.keys()].join();
  const newHead = head !== null && head !== kept.head;
  kept.tickets = tickets;
  if (newHead) kept.head = head;
  if (changed.length === 0 && !moved && !newHead) return;
  kept.told = seen;
  const news = { order, tickets: changed, ...(newHead && { head }) };
  for (const tell of kept.tellers) tell(news);
}

/** Works the rail out with all that has come in, and again when more has come in meanwhile. */
async function settle(withHead: boolean): Promise<void> {
  kept.due = null;
  if (kept.working) return;
  kept.working = true;
  const { moves } = kept;
  kept.moves = NO_MOVES;
  let wait = TOGETHER;
  try {
    const [tickets, head] = await Promise.all([
      work('railMoved', moves),
      withHead || kept.head === null ? readRecordHead(pool()) : null,
    ]);
    tellChanges(tickets, head && `${head.n}:${head.hash}`);
  } catch (error) {
    log().warn({ error: said(error) }, 'the rail could not be worked out');
    kept.moves = { ...NO_MOVES, anew: true };
    kept.tickets = null;
    wait = AGAIN;
  }
  kept.working = false;
  const { anew, told, kept: lines } = kept.moves;
  if (anew || lines || told.length > 0) soon(wait);
}

const soon = (ms = TOGETHER): void => {
  kept.due ??= setTimeout(settle, ms, false);
};

/** Keeps the rail for all stations of this process from now on, where threads work. Returns the way to stop. */
export function keepRail(): () => void {
  const stop = listen((told) => {
    const { moves } = kept;
    if (told === 'again') kept.moves = { ...moves, anew: true };
    else if ('service' in told) return;
    else if ('keep' in told) kept.moves = { ...moves, kept: true };
    else if (told.event)
      kept.moves = { ...moves, told: [...moves.told, { batch: told.batch, event: told.event }] };
    else kept.moves = { ...moves, anew: true };
    soon();
  });
  const beat = setInterval(() => void settle(true), EVERY);
  return () => {
    stop();
    clearInterval(beat);
    clearTimeout(kept.due ?? undefined);
    kept.due = null;
    kept.tickets = null;
  };
}

/** Calls `teller` with every change of the rail. Returns the way to stop. */
export function listenToRail(teller: Teller): () => void {
  kept.tellers.add(teller);
  return () => kept.tellers.delete(teller);
}

/** Whoever asks while it is worked out shares the next answer: what was written meanwhile is in that. */
function byModel(): Promise<readonly Ticket[]> {
  const now = holder.panacheRail;
  if (now) {
    now.next ??= now.running.then(byModel, byModel);
    return now.next;
  }
  const running = work('rail').finally(() => {
    holder.panacheRail = null;
  });
  holder.panacheRail = { running, next: null };
  return running;
}

let planned: Promise<readonly Ticket[]> | null = null;

/** The rail without the model: read where taps are answered, and so by one at a time. */
function byPlan(): Promise<readonly Ticket[]> {
  planned ??= railByPlan(pool(), Date.now()).finally(() => {
    planned = null;
  });
  return planned;
}

/** Nothing has happened that the tickets known here do not show. */
const isSettled = (): boolean =>
  isListening() && !kept.working && !kept.moves.anew && !kept.moves.kept && kept.moves.told.length === 0;

/**
 * Tickets of the live pots: those this process keeps, or worked out in a thread where it has none that hold; by
 * plan alone where that takes too long or fails.
 */
export async function theRail(): Promise<readonly Ticket[]> {
  if (kept.tickets && isSettled()) return kept.tickets;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<null>((resolve) => {
    timer = setTimeout(resolve, PATIENCE, null);
  });
  const tickets = await Promise.race([byModel().catch(() => null), late]);
  clearTimeout(timer);
  // What was told last is a moment old at the most; what is read here is read once for all who wait.
  return tickets ?? kept.tickets ?? byPlan();
}
