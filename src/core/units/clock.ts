/** A countdown: "04:10", "1:02:00"; past zero it counts up with a plus: "+00:20". */
export function countdown(secondsLeft: number): string {
  const total = Math.abs(Math.round(secondsLeft));
  const two = (n: number): string => String(n).padStart(2, '0');
  const hours = Math.floor(total / 3600);
  const rest = `${two(Math.floor(total / 60) % 60)}:${two(total % 60)}`;
  return `${secondsLeft < -0.5 ? '+' : ''}${hours > 0 ? `${hours}:` : ''}${rest}`;
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/**
 * "2026-01-31", the day on the wall clock of whoever reads it. Of a kitchen whose day ends at an hour after midnight,
 * `endsAt`, what is earlier is still of the evening before.
 *
 * @example
 * dayOf(new Date(2026, 1, 1, 1, 30), 4) // '2026-01-31'
 */
export function dayOf(date: Date, endsAt = 0): string {
  const two = (n: number): string => String(n).padStart(2, '0');
  const moved = new Date(date);
  moved.setHours(moved.getHours() - endsAt);
  return `${moved.getFullYear()}-${two(moved.getMonth() + 1)}-${two(moved.getDate())}`;
}

/** When such a day begins, ms, on the same clock: where the one before it ends. */
export const dayStart = (day: string, endsAt = 0): number =>
  new Date(`${day}T${String(endsAt).padStart(2, '0')}:00:00`).getTime();

/** "18:30" on the wall clock of whoever reads it. */
export const timeOfDay = (date: Date): string =>
  `${String(date.getHours()).padStart(2, '0')}:${String(date.getMinutes()).padStart(2, '0')}`;

/** "31 Jan, 18:30" on the wall clock of whoever reads it. */
export const dayAndTime = (date: Date): string =>
  `${date.getDate()} ${MONTHS[date.getMonth()]}, ${timeOfDay(date)}`;

/** The next moment the wall clock shows `text` ("18:30") after `now`; null when it is not a time. */
export function nextTime(text: string, now: Date): Date | null {
  const m = /^(\d{1,2}):(\d{2})$/.exec(text.trim());
  if (!m || Number(m[1]) > 23 || Number(m[2]) > 59) return null;
  const at = new Date(now);
  at.setHours(Number(m[1]), Number(m[2]), 0, 0);
  if (at < now) at.setDate(at.getDate() + 1);
  return at;
}
