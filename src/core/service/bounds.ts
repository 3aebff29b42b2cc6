/** What a day’s service may hold at most. */
export const MOST_SOUPS = 24;
export const MOST_DRAWS = 4;
/** Weeks of a menu cycle at most: a year. */
export const MOST_WEEKS = 52;

/** Whether a text is a day of the calendar, "2026-12-03". */
export const isDay = (text: string): boolean =>
  /^20\d\d-\d\d-\d\d$/.test(text) &&
  !Number.isNaN(Date.parse(`${text}T00:00:00Z`)) &&
  new Date(`${text}T00:00:00Z`).getUTCDate() === Number(text.slice(8));
