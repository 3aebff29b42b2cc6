import { pool } from '../data/database';
import { askedKitchen, inKitchen } from '../guard/asking';
import { log, said } from '../log';
import { readKitchensToLog } from '../queries/kitchens';
import { Watch } from '../work/watch';
import { work } from '../work/work';

/** ms after the last tap of a batch that was finished until it is logged: its note and its score come with it. */
const SETTLES = 4000;
/** ms after which it is looked again whether anything is to be logged: another process may have written it. */
const EVERY = 60_000;

type Learner = {
  due: ReturnType<typeof setTimeout> | null;
  working: boolean;
  /** Which kitchen is learned of, and how far that has come. */
  watch: Watch | null;
  kitchen: string;
};
const holder = globalThis as typeof globalThis & { panacheLearner?: Learner };
holder.panacheLearner ??= { due: null, working: false, watch: null, kitchen: '' };
const learner = holder.panacheLearner;

async function learn(): Promise<void> {
  learner.due = null;
  if (learner.working) return learnSoon();
  learner.working = true;
  try {
    // Kitchens where anything waits to be logged, or to be gone through again: a stretch of each in turn.
    const failed = new Set<string>();
    for (;;) {
      const wanted = (await readKitchensToLog(pool())).filter((k) => !failed.has(k));
      if (wanted.length === 0) break;
      for (const kitchen of wanted) {
        const watch = new Watch();
        Object.assign(learner, { watch, kitchen });
        try {
          await inKitchen(kitchen, () => work('learn', { shared: watch.shared }));
        } catch (error) {
          // The others do not wait for it; it is tried again with the next round.
          failed.add(kitchen);
          log().warn({ kitchen, error: said(error) }, 'what was finished could not be learned from yet');
        }
      }
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
export const learningShare = (): number | null =>
  learner.kitchen === askedKitchen() ? (learner.watch?.share ?? null) : null;

/** Learns from now on, where threads work. */
export function keepLearning(): void {
  learnSoon(6000);
  setInterval(() => learnSoon(0), EVERY).unref();
}
