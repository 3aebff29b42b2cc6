/** What is the matter, and what to do about it, as one reads it. */
export type Said = { readonly says: string; readonly do: string };
