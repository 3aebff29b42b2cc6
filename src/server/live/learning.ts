import { pool } from '../data/database';
import { log, said } from '../log';
import { readHouse } from '../queries/kitchen';
import { countToLog, readLearned } from '../queries/log';
import { Watch } from '../work/watch';
import { work } from '../work/work';

/** ms after the last tap of a batch that was finished until it is logged: its note and its score come with it. */
const SETTLES = 4000;
/** ms after which it is looked again whether anything is to be logged: another process may have written it. */
const EVERY = 60_000;

type Learner = { due: ReturnType<typeof setTimeout> | null; working: boolean; watch: Watch | null };
const holder = globalThis as typeof globalThis & { panacheLearner?: Learner };
holder.panacheLearner ??= { due: null, working: false, watch: null };
const learner = holder.panacheLearner;

/** Whether anything waits to be logged, or to be gone through again. */
async function isWanted(): Promise<boolean> {
  const house = await readHouse(pool());
  if (!house) return false;
  return (await countToLog(pool(), house.id)) > 0 || ((await readLearned(pool(), house.id))?.anew ?? false);
}

async function learn(): Promise<void> {
  learner.due = null;
  if (learner.working) return learnSoon();
  learner.working = true;
  try {
    while (await isWanted()) {
      learner.watch = new Watch();
      await work('learn', { shared: learner.watch.shared });
    }
  } catch (error) {
    log().warn({ error: said(error) }, 'what was finished could not be learned from yet');
  }
  learner.watch = null;
  learner.working = false;
}

/** Told off, nothing is logged or learned by itself: what waits for it stays. */
const isOff = (): boolean => process.env.PANACHE_LEARN === 'off';

/** Logs what was finished, and learns from it, once it has settled. */
export function learnSoon(ms = SETTLES): void {
  if (!learner.due && !isOff()) learner.due = setTimeout(() => void learn(), ms).unref();
}

/** How far learning anew has come, 0–1; null while nothing is gone through. */
export const learningShare = (): number | null => learner.watch?.share ?? null;

/** Learns from now on, where threads work. */
export function keepLearning(): void {
  learnSoon(6000);
  setInterval(() => learnSoon(0), EVERY).unref();
}
