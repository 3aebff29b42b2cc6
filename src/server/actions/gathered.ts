import { message } from '../../core/message/message';
import { isAway, noted, type Queryable } from '../data/database';
import { perKitchen } from '../guard/asking';
import { appendEvents, type EventToWrite } from '../queries/batches';
import { busy } from '../refusal';

type Waiting = {
  readonly draft: EventToWrite;
  readonly done: (written: boolean) => void;
  readonly failed: (error: unknown) => void;
  /** ms by {@link performance}: whoever has waited until then is told to come again. */
  readonly until: number;
};
type Queue = { waiting: Waiting[]; busy: boolean };

/** A statement is of one kitchen. */
const queues = perKitchen(() => new WeakMap<Queryable, Queue>());

/** Most events in one statement. */
const MOST = 64;

/** Most taps that wait, and how long one does, ms: a station keeps its own and sends them again. */
const MOST_WAITING = 2000;
const PATIENCE = 4000;

/** Writes a group in one statement. One that the database will not take must not cost the others: then each goes alone. */
async function write(db: Queryable, group: readonly Waiting[]): Promise<void> {
  try {
    const written = new Set(
      await appendEvents(
        db,
        group.map((w) => w.draft),
      ),
    );
    // The same tap twice at once was written for the first of the two.
    for (const w of group) w.done(written.delete(w.draft.event.id));
  } catch (error) {
    noted(error);
    const [only, another] = group;
    // Away is away for each of them: one try tells.
    if (isAway(error)) for (const w of group) w.failed(error);
    else if (!another) only?.failed(error);
    else for (const w of group) await write(db, [w]);
  }
}

/** Writes what waits, one statement after another, until nothing does. */
async function empty(db: Queryable, queue: Queue): Promise<void> {
  queue.busy = true;
  while (queue.waiting.length > 0) {
    const now = performance.now();
    const group = queue.waiting.splice(0, MOST);
    for (const w of group)
      if (w.until < now) w.failed(busy(message('the kitchen’s database does not keep up')));
    const inTime = group.filter((w) => w.until >= now);
    if (inTime.length > 0) await write(db, inTime);
  }
  queue.busy = false;
}

/**
 * Writes an event together with all that come while another write is under way: one statement, one commit,
 * one telling for many. Alone it waits for nothing. True when it was written, false as {@link appendEvents}
 * leaves one out.
 */
export const gathered = (db: Queryable, draft: EventToWrite): Promise<boolean> =>
  new Promise((done, failed) => {
    const own = queues();
    const queue = own.get(db) ?? { waiting: [], busy: false };
    own.set(db, queue);
    if (queue.waiting.length >= MOST_WAITING)
      return failed(busy(message('too many taps wait to be written')));
    queue.waiting.push({ draft, done, failed, until: performance.now() + PATIENCE });
    if (!queue.busy) void empty(db, queue);
  });
