import type { Noticed } from '../learn/own/changes';
import { kindOf, type NumberKey, thingOf } from '../learn/own/laws';
import { type Message, message } from '../message/message';

/** What a number is of, as a title. `of` is what the kitchen calls the thing. */
export function numberTitle(key: NumberKey, of: string): Message {
  const thing = thingOf(key);
  switch (kindOf(key)) {
    case 'waterLoss':
      return message('{of}, lid {lid, select, on {on} ajar {ajar} other {off}}', {
        of,
        lid: thing.slice(thing.lastIndexOf(' ') + 1),
      });
    case 'puree':
      return message('{of}, blended', { of });
    case 'leaching':
      return message('Starch out of {of}', { of });
    case 'juices':
      return message('Juice of {of}', { of });
    case 'softening':
      return message('How {of} softens', { of });
    case 'soup':
      return message('{of}, as it comes out here', { of });
    case 'pouring':
      return message('{of} at the scale', { of });
    case 'work':
      return message(
        '{work, select, weighing {Weighing out} sweat {Sweating} puree {Blending} roux {Making a roux} add {Adding} dust {Dusting with flour} thicken {Whisking in a thickener} strain {Straining} temper {Tempering} season {Seasoning} pour {Pouring over} render {Rendering} other {Work}}',
        { work: thing },
      );
    default:
      return message('{of}', { of });
  }
}

/** A number this near to the model’s is as in the books, in hundredths. */
const AS_IN_THE_BOOKS = 1.5;

/** What a factor says of its thing, in words. */
export function numberSays(key: NumberKey, by: number): Message {
  const percent = Math.round(Math.abs(by - 1) * 100);
  const more = by > 1 ? 'yes' : 'no';
  if (Math.abs(by - 1) * 100 < AS_IN_THE_BOOKS)
    return kindOf(key) === 'work' ? message('takes as long as the plan has it') : message('as in the books');
  const figures = { percent, more };
  switch (kindOf(key)) {
    case 'flour':
      return message('{percent} % {more, select, yes {stronger} other {weaker}} than the book', figures);
    case 'puree':
      return message('thickens {percent} % {more, select, yes {more} other {less}} than the book', figures);
    case 'leaching':
      return message('lets go of {percent} % {more, select, yes {more} other {less}}', figures);
    case 'waterLoss':
      return message('gives off {percent} % {more, select, yes {more} other {less}}', figures);
    case 'burner':
      return message('{percent} % {more, select, yes {stronger} other {weaker}} than its label', figures);
    case 'juices':
      return message('gives {percent} % {more, select, yes {more} other {less}} water', figures);
    case 'softening':
      return message('softens {percent} % {more, select, yes {faster} other {more slowly}}', figures);
    case 'soup':
      return message(
        'all that thickens it is worth {percent} % {more, select, yes {more} other {less}}',
        figures,
      );
    case 'instrument':
      return message('reads {percent} % {more, select, yes {high} other {low}}', figures);
    case 'work':
      return message(
        'takes {percent} % {more, select, yes {longer} other {less}} than the plan has it',
        figures,
      );
    case 'pouring':
      return message('weighs {percent} % {more, select, yes {over} other {under}}', figures);
  }
}

/** What to look at where a number changed from one day to the next. */
function look(key: NumberKey): Message {
  switch (kindOf(key)) {
    case 'flour':
      return message('another sack, or another lot?');
    case 'burner':
      return message('a jet, the gas, or its plate?');
    case 'waterLoss':
      return message('lid, flame or hood?');
    case 'instrument':
      return message('is it clean, and the same one?');
    default:
      return message('what is different since?');
  }
}

/** What a number has become against what it was, in words. */
function changeSays(key: NumberKey, by: number): Message {
  const figures = { percent: Math.round(Math.abs(by - 1) * 100), more: by > 1 ? 'yes' : 'no' };
  switch (kindOf(key)) {
    case 'flour':
    case 'burner':
      return message('{percent} % {more, select, yes {stronger} other {weaker}} than it was', figures);
    case 'waterLoss':
      return message('gives off {percent} % {more, select, yes {more} other {less}} than it did', figures);
    case 'instrument':
      return message('reads {percent} % {more, select, yes {higher} other {lower}} than it did', figures);
    case 'work':
      return message('takes {percent} % {more, select, yes {longer} other {less}} than it did', figures);
    default:
      return message('{percent} % {more, select, yes {more} other {less}} than it was', figures);
  }
}

/** A change that was noticed, said whole; `day` is since when, in words. */
export const noticedWords = (
  n: Pick<Noticed, 'key' | 'before' | 'after'>,
  of: string,
  day: Message,
): Message =>
  message('{what}: since {day} {says}. {look}', {
    day,
    what: numberTitle(n.key, of),
    says: changeSays(n.key, n.after / n.before),
    look: { opening: look(n.key) },
  });
