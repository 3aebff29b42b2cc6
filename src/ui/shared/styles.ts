/** A button to press with a knuckle. */
export const BUTTON =
  'inline-flex min-h-14 items-center justify-center gap-2 rounded-sm border-2 border-ink bg-surface px-4 font-bold text-ink hover:bg-butter/25 disabled:opacity-50';

/** The one next action of a screen. */
export const PRIMARY =
  'inline-flex min-h-14 items-center justify-center gap-2 rounded-sm border-2 border-ink bg-butter px-5 font-bold text-on-butter disabled:opacity-60';

/** What is typed into. */
export const FIELD =
  'h-14 w-full min-w-0 rounded-sm border-2 border-ink bg-surface px-3 text-ink aria-invalid:border-tomato';

/** One of a few that exclude each other, side by side. */
export const segment = (here: boolean): string =>
  `min-h-12 min-w-13 px-3 font-bold ${here ? 'bg-ink text-surface' : 'bg-surface text-ink hover:bg-butter/25'}`;

/** A small button at the head of a column. */
export const HEAD_BUTTON =
  'inline-flex min-h-12 items-center gap-2 rounded-sm border-2 border-ink bg-surface px-2.5 font-bold';
