/**
 * What a job and whoever waits for it share, though they are in threads of their own: how far it is, and whether it is still wanted.
 * Handed on as its `shared` memory.
 */
export class Watch {
  /** Share done; 1 once it is to stop. */
  private readonly cells: Float64Array;

  constructor(readonly shared: SharedArrayBuffer = new SharedArrayBuffer(16)) {
    this.cells = new Float64Array(shared);
  }

  /** 0 to 1. */
  get share(): number {
    return this.cells[0] ?? 0;
  }

  reach(share: number): void {
    this.cells[0] = Math.min(1, Math.max(this.share, share));
  }

  get stopped(): boolean {
    return this.cells[1] === 1;
  }

  stop(): void {
    this.cells[1] = 1;
  }
}

/** A watch that stops when whoever asked hangs up: what is drawn for them goes no further. */
export function watchedBy({ signal }: Pick<Request, 'signal'>): Watch {
  const watch = new Watch();
  if (signal.aborted) watch.stop();
  else signal.addEventListener('abort', () => watch.stop(), { once: true });
  return watch;
}

/** ms between two lines that say how far a job is. */
const EVERY = 300;

/**
 * The answer of a job as lines of JSON: `{ share }` while it is under way, then `{ status, body }`. Whoever stops listening before
 * stops the job.
 */
export function toldAsItGoes(
  answer: Promise<{ readonly status: number; readonly body: unknown }>,
  watch: Watch,
): ReadableStream<Uint8Array> {
  const bytes = new TextEncoder();
  let timer: ReturnType<typeof setInterval> | undefined;
  return new ReadableStream({
    start(controller) {
      const tell = (line: object) => controller.enqueue(bytes.encode(`${JSON.stringify(line)}\n`));
      tell({ share: 0 });
      timer = setInterval(() => tell({ share: watch.share }), EVERY);
      void answer.then(({ status, body }) => {
        clearInterval(timer);
        if (watch.stopped) return;
        tell({ status, body });
        controller.close();
      });
    },
    cancel() {
      clearInterval(timer);
      watch.stop();
    },
  });
}
