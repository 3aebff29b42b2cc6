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
export const SEEN: Readonly<Record<Fault, string>> = {
  'too thin': 'runs off the spoon like water',
  'too thick': 'stands in the ladle, plops',
  'too salty': 'the tongue says so twice',
  'too flat': 'tastes of nothing much',
  lumps: 'dry flour inside when pressed',
  split: 'grainy, fat and water part',
  'yolk set': 'shreds of egg',
  scorched: 'smells of it, sticks at the bottom',
  greasy: 'a film of fat on top',
  'raw flour': 'tastes of paste',
  gluey: 'strings off the spoon',
  slimy: 'slides, does not coat',
  skin: 'a film on top',
  'hard dice': 'the fork does not go in',
  'fish nearly done': 'firm already, service is not yet',
  'too full': 'at the rim, it slops',
  'too cold': 'not hot enough to serve',
  'too hot': 'too hot to serve, or for the dairy',
  'too dark': 'browner than it should be',
};

/** Faults a dose of something mends, by thickness or salt; they can be mended together. */
export const DOSED: ReadonlySet<Fault> = new Set(['too thin', 'too thick', 'too salty', 'too flat']);
