/** Digits of a code that lets a station in. */
export const CODE_DIGITS = 6;
