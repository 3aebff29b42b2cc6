/** What of a pan is poured into another: all that is in it, what flows, the pieces, or the fat that floats free. */
export const TAKES = ['all', 'liquid', 'pieces', 'fat'] as const;
