import type { Message } from '../message/message';

/** What is the matter, and what to do about it. */
export type Said = { readonly says: Message; readonly do: Message };
