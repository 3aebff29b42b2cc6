import type { Ticket } from '../../core/batch/ticket';
import { pool } from '../data/database';
import { work } from '../work/work';
import { railByPlan } from './rail';

/** ms a page waits for the model: then it shows the tickets by their plans. */
const PATIENCE = 1500;

type Asked = { readonly running: Promise<readonly Ticket[]>; next: Promise<readonly Ticket[]> | null };
const holder = globalThis as typeof globalThis & { panacheRail?: Asked | null };

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

/** Tickets of the live pots, worked out in a thread of their own; by plan alone where that takes too long or fails. */
export async function theRail(): Promise<readonly Ticket[]> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<null>((resolve) => {
    timer = setTimeout(resolve, PATIENCE, null);
  });
  const tickets = await Promise.race([byModel().catch(() => null), late]);
  clearTimeout(timer);
  return tickets ?? railByPlan(pool(), Date.now());
}
