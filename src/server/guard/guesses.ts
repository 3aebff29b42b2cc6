import { message } from '../../core/message/message';
import { busy, isRefusal } from '../refusal';

/** Wrong codes one address may send in a minute. */
const MOST = 5;
const MINUTE = 60_000;

/** When each address was wrong last. */
const wrong = new Map<string, readonly number[]>();

/** Does `work` for an address that has not guessed too often lately; a refusal of it counts as a guess. */
export async function slowDown<T>(address: string, work: () => Promise<T>, now = Date.now()): Promise<T> {
  for (const [of, times] of wrong) if ((times.at(-1) ?? 0) < now - MINUTE) wrong.delete(of);
  const before = (wrong.get(address) ?? []).filter((t) => t > now - MINUTE);
  if (before.length >= MOST)
    throw busy(message('too many wrong codes from this device'), message('try again in a minute'));
  try {
    return await work();
  } catch (error) {
    if (isRefusal(error) && error.status !== 503) wrong.set(address, [...before, now]);
    throw error;
  }
}
