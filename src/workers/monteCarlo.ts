import { merge, type Spread, sample, summarise, type Tally } from '../core/learn/monteCarlo';
import type { Recipe } from '../core/plan/recipe';
import type { RouxChoice, Trial } from '../core/plan/resolve';
import type { Stand } from '../core/plan/simulate';

/** Asks for samples, or takes the asking back. */
export type Ask =
  | {
      readonly kind: 'sample';
      readonly id: string;
      readonly recipe: Recipe;
      readonly trial: Trial;
      readonly stand: Stand;
      readonly choice?: RouxChoice;
      readonly samples: number;
      readonly seed: number;
    }
  | { readonly kind: 'cancel'; readonly id: string };

export type Told =
  | { readonly kind: 'progress'; readonly id: string; readonly done: number; readonly of: number }
  | { readonly kind: 'done'; readonly id: string; readonly spread: Spread };

/** Samples between two looks at the mailbox: a few hundred milliseconds. */
const CHUNK = 100;

const cancelled = new Set<string>();
const breathe = () => new Promise((resolve) => setTimeout(resolve, 0));

self.onmessage = async ({ data: ask }: MessageEvent<Ask>) => {
  if (ask.kind === 'cancel') {
    cancelled.add(ask.id);
    return;
  }
  let tally: Tally | null = null;
  for (let done = 0; done < ask.samples; ) {
    const part = sample(
      ask.recipe,
      ask.trial,
      ask.stand,
      ask.seed + done,
      Math.min(CHUNK, ask.samples - done),
      ask.choice,
    );
    tally = tally ? merge(tally, part) : part;
    done = tally.samples;
    self.postMessage({ kind: 'progress', id: ask.id, done, of: ask.samples } satisfies Told);
    await breathe();
    if (cancelled.delete(ask.id)) return;
  }
  if (tally) self.postMessage({ kind: 'done', id: ask.id, spread: summarise(tally) } satisfies Told);
};
