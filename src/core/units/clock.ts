/** A countdown: "04:10", "1:02:00"; past zero it counts up with a plus: "+00:20". */
export function countdown(secondsLeft: number): string {
  const total = Math.abs(Math.round(secondsLeft));
  const two = (n: number): string => String(n).padStart(2, '0');
  const hours = Math.floor(total / 3600);
  const rest = `${two(Math.floor(total / 60) % 60)}:${two(total % 60)}`;
  return `${secondsLeft < -0.5 ? '+' : ''}${hours > 0 ? `${hours}:` : ''}${rest}`;
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** "2026-01-31", the day on the wall clock of whoever reads it. */
export const dayOf = (date: Date): string =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;

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
