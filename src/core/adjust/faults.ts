import { type Message, message } from '../message/message';
/** What can be wrong with a pot, in the order a cook would look for it. */
export const FAULTS = [
  'too thin',
  'too thick',
  'too salty',
  'too flat',
  'lumps',
  'split',
  'yolk set',
  'scorched',
  'greasy',
  'raw flour',
  'gluey',
  'slimy',
  'skin',
  'hard dice',
  'fish nearly done',
  'too full',
  'too cold',
  'too hot',
  'too dark',
] as const;
export type Fault = (typeof FAULTS)[number];

/** A fault as it is seen, for whoever has to find its name in eight seconds. Common practice, no source. */
export const SEEN: Readonly<Record<Fault, Message>> = {
  'too thin': message('runs off the spoon like water'),
  'too thick': message('stands in the ladle, plops'),
  'too salty': message('the tongue says so twice'),
  'too flat': message('tastes of nothing much'),
  lumps: message('dry flour inside when pressed'),
  split: message('grainy, fat and water part'),
  'yolk set': message('shreds of egg'),
  scorched: message('smells of it, sticks at the bottom'),
  greasy: message('a film of fat on top'),
  'raw flour': message('tastes of paste'),
  gluey: message('strings off the spoon'),
  slimy: message('slides, does not coat'),
  skin: message('a film on top'),
  'hard dice': message('the fork does not go in'),
  'fish nearly done': message('firm already, service is not yet'),
  'too full': message('at the rim, it slops'),
  'too cold': message('not hot enough to serve'),
  'too hot': message('too hot to serve, or for the dairy'),
  'too dark': message('browner than it should be'),
};

/** Faults a dose of something mends, by thickness or salt; they can be mended together. */
export const DOSED: ReadonlySet<Fault> = new Set(['too thin', 'too thick', 'too salty', 'too flat']);
