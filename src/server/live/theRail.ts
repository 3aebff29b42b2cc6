import type { Ticket } from '../../core/batch/ticket';
import { pool } from '../data/database';
import { askedKitchen, inKitchen, ownKitchen } from '../guard/asking';
import { log, said } from '../log';
import { readRecordHead } from '../queries/record/seals';
import { work } from '../work/work';
import { isListening, type LiveTold, listen } from './live';
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

/** The rail of a kitchen in this process: worked out once for all its stations, moved by each event. The bundled pages find it here. */
type Kept = {
  readonly kitchen: string;
  tickets: readonly Ticket[] | null;
  /** How each looked when it was told last, in their order. */
  told: ReadonlyMap<string, string>;
  head: string | null;
  readonly tellers: Set<Teller>;
  moves: Moves;
  due: ReturnType<typeof setTimeout> | null;
  working: boolean;
  asked: Asked | null;
  planned: Promise<readonly Ticket[]> | null;
};
const NO_MOVES: Moves = { anew: false, told: [], kept: false };
type Rails = { readonly known: Map<string, Kept>; isKept: boolean };
const holder = globalThis as typeof globalThis & { panacheRails?: Rails };
holder.panacheRails ??= { known: new Map(), isKept: false };
const rails = holder.panacheRails;

/** The rail of the kitchen that is asked for. */
function railHere(): Kept {
  const kitchen = askedKitchen();
  const known = rails.known.get(kitchen);
  if (known) return known;
  const made: Kept = {
    kitchen,
    tickets: null,
    told: new Map(),
    head: null,
    tellers: new Set(),
    moves: { ...NO_MOVES, anew: true },
    due: null,
    working: false,
    asked: null,
    planned: null,
  };
  rails.known.set(kitchen, made);
  if (rails.isKept) soon(made);
  return made;
}

const idsOf = (tickets: readonly Ticket[]): readonly string[] => tickets.map((t) => t.id);

/** All of it, as a station is told that comes; null while it is not known. */
export const wholeRail = (): RailNews | null => {
  const { tickets, head } = railHere();
  return tickets && { order: idsOf(tickets), tickets, ...(head && { head }) };
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
function tellChanges(kept: Kept, tickets: readonly Ticket[], head: string | null): void {
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
async function settle(kept: Kept, withHead: boolean): Promise<void> {
  kept.due = null;
  if (kept.working) return;
  kept.working = true;
  const { moves } = kept;
  kept.moves = NO_MOVES;
  let wait = TOGETHER;
  try {
    const [tickets, head] = await inKitchen(kept.kitchen, () =>
      Promise.all([work('railMoved', moves), withHead || kept.head === null ? readRecordHead(pool()) : null]),
    );
    tellChanges(kept, tickets, head && `${head.n}:${head.hash}`);
  } catch (error) {
    log().warn({ error: said(error) }, 'the rail could not be worked out');
    kept.moves = { ...NO_MOVES, anew: true };
    kept.tickets = null;
    wait = AGAIN;
  }
  kept.working = false;
  const { anew, told, kept: lines } = kept.moves;
  if (anew || lines || told.length > 0) soon(kept, wait);
}

const soon = (kept: Kept, ms = TOGETHER): void => {
  kept.due ??= setTimeout(settle, ms, kept, false);
};

/** Takes in what was told. */
function move(kept: Kept, told: LiveTold): void {
  const { moves } = kept;
  if (told === 'again') kept.moves = { ...moves, anew: true };
  else if ('service' in told) return;
  else if ('keep' in told) kept.moves = { ...moves, kept: true };
  else if (told.event)
    kept.moves = { ...moves, told: [...moves.told, { batch: told.batch, event: told.event }] };
  else kept.moves = { ...moves, anew: true };
  soon(kept);
}

/** Lets go of what is known of a rail. */
function forget(kept: Kept): void {
  clearTimeout(kept.due ?? undefined);
  kept.due = null;
  kept.tickets = null;
  rails.known.delete(kept.kitchen);
}

/**
 * Keeps the rails for all stations of this process from now on, where threads work: this machine’s own kitchen’s, and of others those
 * that are looked at. Returns the way to stop.
 */
export function keepRail(): () => void {
  rails.isKept = true;
  const stop = listen(null, (told, kitchen) => {
    for (const kept of rails.known.values()) if (kitchen === '' || kept.kitchen === kitchen) move(kept, told);
  });
  soon(inKitchen(ownKitchen(), railHere));
  const beat = setInterval(() => {
    // Nobody is told of it: whoever asks next has it worked out anew.
    for (const kept of [...rails.known.values()])
      if (kept.tellers.size === 0 && !kept.asked && kept.kitchen !== ownKitchen()) forget(kept);
      else void settle(kept, true);
  }, EVERY);
  return () => {
    rails.isKept = false;
    stop();
    clearInterval(beat);
    for (const kept of [...rails.known.values()]) forget(kept);
  };
}

/** Calls `teller` with every change of the rail of the kitchen that is asked for. Returns the way to stop. */
export function listenToRail(teller: Teller): () => void {
  const kept = railHere();
  kept.tellers.add(teller);
  return () => kept.tellers.delete(teller);
}

/** Whoever asks while it is worked out shares the next answer: what was written meanwhile is in that. */
function byModel(kept: Kept): Promise<readonly Ticket[]> {
  const now = kept.asked;
  if (now) {
    const again = () => byModel(kept);
    now.next ??= now.running.then(again, again);
    return now.next;
  }
  const running = work('rail').finally(() => {
    kept.asked = null;
  });
  kept.asked = { running, next: null };
  return running;
}

/** The rail without the model: read where taps are answered, and so by one at a time. */
function byPlan(kept: Kept): Promise<readonly Ticket[]> {
  kept.planned ??= railByPlan(pool(), Date.now()).finally(() => {
    kept.planned = null;
  });
  return kept.planned;
}

/** Nothing has happened that the tickets known here do not show. */
const isSettled = (kept: Kept): boolean =>
  isListening() && !kept.working && !kept.moves.anew && !kept.moves.kept && kept.moves.told.length === 0;

/**
 * Tickets of the live pots: those this process keeps, or worked out in a thread where it has none that hold; by
 * plan alone where that takes too long or fails.
 */
export async function theRail(): Promise<readonly Ticket[]> {
  const kept = railHere();
  if (kept.tickets && isSettled(kept)) return kept.tickets;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<null>((resolve) => {
    timer = setTimeout(resolve, PATIENCE, null);
  });
  const tickets = await Promise.race([byModel(kept).catch(() => null), late]);
  clearTimeout(timer);
  // What was told last is a moment old at the most; what is read here is read once for all who wait.
  return tickets ?? kept.tickets ?? byPlan(kept);
}
