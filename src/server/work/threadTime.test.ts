import { Worker } from 'node:worker_threads';
import { ThreadTime } from './threadTime';

/** Works until this process has had so many ms more of the processor. */
function burn(ms: number): void {
  const from = process.cpuUsage();
  for (let has = 0; has < ms * 1000; ) {
    const { user, system } = process.cpuUsage(from);
    has = user + system;
  }
}

test('before its job begins nothing is told of a thread', () => {
  expect(new ThreadTime().ms).toBeNull();
});

test('what it works counts, from its beginning on', () => {
  burn(100);
  const time = new ThreadTime();
  time.begins();
  expect(time.ms).toBe(0);
  burn(300);
  // The compiler’s threads have some of what the process had.
  expect(time.ms).toBeGreaterThanOrEqual(100);
  expect(time.ms).toBeLessThanOrEqual(400);
});

test('what other threads of the process work does not, and who waits reads it by the memory they share', async () => {
  const time = new ThreadTime();
  time.begins();
  const from = process.cpuUsage();
  const worker = new Worker(
    'const from = process.cpuUsage(); while (process.cpuUsage(from).user < 500_000);',
    { eval: true },
  );
  await new Promise((ended) => worker.once('exit', ended));
  expect(process.cpuUsage(from).user).toBeGreaterThanOrEqual(500_000);
  expect(new ThreadTime(time.shared).ms).toBeLessThan(250);
});
