import { expose, releaseProxy } from 'comlink';

/** What a worker answers, by kind of question: piece by piece, as it is found. */
export type Served = {
  readonly [kind: string]: (question: never) => Iterable<unknown> | AsyncIterable<unknown>;
};

/** What a worker is told and does not answer. */
export type Known = { readonly [what: string]: (value: never) => void };

export type QuestionOf<S extends Served, K extends keyof S> = Parameters<S[K]>[0];
export type PieceOf<S extends Served, K extends keyof S> =
  ReturnType<S[K]> extends Iterable<infer A> | AsyncIterable<infer A> ? A : never;

/** Hears the pieces; where it is a page’s function behind a port, the port is given back. */
type Told<A> = ((piece: A) => void) & { readonly [releaseProxy]?: () => void };

/** A worker as its page sees it. */
export type Serving<S extends Served, K extends Known = Known> = {
  /** Answers piece by piece; ends when all is told, or when a newer question of the same kind took its place. */
  readonly ask: <Q extends keyof S & string>(
    kind: Q,
    question: QuestionOf<S, Q>,
    told: Told<PieceOf<S, Q>>,
  ) => Promise<boolean>;
  readonly know: <W extends keyof K & string>(what: W, value: Parameters<K[W]>[0]) => void;
  /** What is under way of a kind is given up. */
  readonly stop: (kind: keyof S & string) => void;
};

const breathe = () => new Promise((resolve) => setTimeout(resolve, 0));

/**
 * Serves the questions of a page from a worker. Between two pieces the mailbox is looked at, and a newer question
 * of the same kind takes the older one's place. `ask` says whether it was told to its end.
 */
export function serving<S extends Served, K extends Known>(does: S, knows: K): Serving<S, K> {
  const newest: { [kind: string]: number } = {};
  return {
    async ask(kind, question, told) {
      const mine = (newest[kind] ?? 0) + 1;
      newest[kind] = mine;
      try {
        await breathe();
        if (newest[kind] !== mine) return false;
        for await (const piece of does[kind]?.(question) ?? []) {
          if (newest[kind] !== mine) return false;
          await told(piece as PieceOf<S, typeof kind>);
          await breathe();
          if (newest[kind] !== mine) return false;
        }
        return true;
      } finally {
        told[releaseProxy]?.();
      }
    },
    know(what, value) {
      knows[what]?.(value);
    },
    stop(kind) {
      newest[kind] = (newest[kind] ?? 0) + 1;
    },
  };
}

/** Puts `serving` behind the worker's own mailbox. */
export const serve = <S extends Served, K extends Known>(does: S, knows: K): void =>
  expose(serving(does, knows));
