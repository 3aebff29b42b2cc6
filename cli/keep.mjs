import { say } from './say.mjs';

/** Seconds before the next try; the last of them stays. Begun anew once it has run well, ms. */
const WAITS = [0.1, 0.2, 0.5, 1, 2];
const WELL = 20_000;

/** What falls again and again is said once a minute. */
const CALM = 60_000;

const pause = (ms) => new Promise((r) => setTimeout(r, ms));

/** Does `work` over and over until `stopped`, each time after the ms it says before; `first` is how long it waits at first. */
export async function repeat(first, work, stopped) {
  let over = false;
  void stopped.then(() => {
    over = true;
  });
  for (let wait = first; ; wait = await work()) {
    let timer;
    const rest = new Promise((r) => {
      timer = setTimeout(r, Math.min(wait, 2 ** 31 - 1));
    });
    await Promise.race([rest, stopped]);
    clearTimeout(timer);
    if (over) return;
  }
}

/**
 * Keeps one thing running until `stopped`: `start` gives it running, with `ended`, a promise of its end, and `how` it
 * ended. One line is said an outage, and one when it is over.
 */
export async function keep(what, first, start, stopped) {
  let stopping = false;
  void stopped.then(() => {
    stopping = true;
  });
  let running = first;
  let tries = 0;
  let said = 0;
  for (;;) {
    const since = Date.now();
    await Promise.race([stopped, running.ended]);
    if (stopping) return running;
    const gone = Date.now();
    if (gone - since > WELL) tries = 0;
    const aloud = tries < 40 || gone - said > CALM;
    if (aloud) {
      said = gone;
      say(`${what} ended (${running.how?.() ?? 'nobody knows why'}): starting it again`);
    }
    for (;;) {
      await Promise.race([stopped, pause(WAITS[Math.min(tries, WAITS.length - 1)] * 1000)]);
      if (stopping) return null;
      tries++;
      try {
        running = await start();
        break;
      } catch (error) {
        if (Date.now() - said < CALM) continue;
        said = Date.now();
        say(`${what} does not start: ${error.message}. Trying on.`);
      }
    }
    if (aloud) say(`${what} runs again, after ${((Date.now() - gone) / 1000).toFixed(1)} s`);
  }
}

const LOOK = 500;

/** A PostgreSQL of ours as something to {@link keep}. */
export const running = (server) => ({
  how: () => 'its process is gone',
  ended: (async () => {
    while (server.pid() !== null) await pause(LOOK);
  })(),
});

/** ms between two looks, how long an answer may take, and how many in a row may fail before it counts as hung. */
const ASK = 5000;
const ANSWER = 10_000;
const MOST_MISSED = 3;

/** Ends a server that runs but answers nothing any more, so that it is started again. */
export async function watch(app, stopped) {
  let stopping = false;
  void Promise.race([stopped, app.ended]).then(() => {
    stopping = true;
  });
  for (let missed = 0; !stopping; ) {
    await pause(ASK);
    const answers = await fetch(`${app.address}/api/health`, { signal: AbortSignal.timeout(ANSWER) }).then(
      () => true,
      () => false,
    );
    missed = answers ? 0 : missed + 1;
    if (missed >= MOST_MISSED && !stopping) {
      say('the server answers nothing: ending it');
      await app.kill();
    }
  }
}
