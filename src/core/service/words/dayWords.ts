import { type Message, message } from '../../message/message';
import { weekdayOf } from '../service';

const figures = (day: string) => ({
  weekday: weekdayOf(day),
  day: Number(day.slice(8)),
  month: Number(day.slice(5, 7)),
});

/** A day as it is said in short: "Thu 3 Dec". */
export const shortDay = (day: string): Message =>
  message(
    '{weekday, select, 0 {Mon} 1 {Tue} 2 {Wed} 3 {Thu} 4 {Fri} 5 {Sat} other {Sun}} {day} {month, select, 1 {Jan} 2 {Feb} 3 {Mar} 4 {Apr} 5 {May} 6 {Jun} 7 {Jul} 8 {Aug} 9 {Sep} 10 {Oct} 11 {Nov} other {Dec}}',
    figures(day),
  );

/** In full: "Thursday 3 December". */
export const longDay = (day: string): Message =>
  message(
    '{weekday, select, 0 {Monday} 1 {Tuesday} 2 {Wednesday} 3 {Thursday} 4 {Friday} 5 {Saturday} other {Sunday}} {day} {month, select, 1 {January} 2 {February} 3 {March} 4 {April} 5 {May} 6 {June} 7 {July} 8 {August} 9 {September} 10 {October} 11 {November} other {December}}',
    figures(day),
  );
