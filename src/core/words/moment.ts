import { type Message, message } from '../message/message';
import { dayOf, timeOfDay } from '../units/clock';
import { DAY_MS } from '../units/moment';

const midnight = (d: Date): number => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();

/**
 * A moment as it is said at `now`, on the clock of this machine: "at 18:30", "tomorrow at 18:30", "on Friday at
 * 18:30"; with its date beyond a week.
 */
export function momentWords(at: Date, now: Date): Message {
  const time = timeOfDay(at);
  // Rounded: the day a clock is changed on is an hour longer or shorter.
  const days = Math.round((midnight(at) - midnight(now)) / DAY_MS);
  if (days === 0) return message('at {time}', { time });
  if (days === 1) return message('tomorrow at {time}', { time });
  if (days === -1) return message('yesterday at {time}', { time });
  if (Math.abs(days) < 7)
    return message(
      'on {day, select, 0 {Sunday} 1 {Monday} 2 {Tuesday} 3 {Wednesday} 4 {Thursday} 5 {Friday} other {Saturday}} at {time}',
      { day: at.getDay(), time },
    );
  return message('on {date} at {time}', {
    date: dayOf(at),
    time,
  });
}
