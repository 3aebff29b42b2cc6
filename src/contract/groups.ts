import * as z from 'zod';
import type { ChangedLine } from '../core/formats/changedLines';
import { issue } from '../core/message/told';
import { By, Note } from './saying';

/** What a group’s leading kitchen publishes to it: a recipe as it stands there, or its rules. */
export const PublishAsked = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('recipe'),
    recipe: z.string({ error: issue('recipe is the id of a recipe') }).min(1, issue('pick a recipe')),
    note: Note,
    by: By,
  }),
  z.object({ kind: z.literal('rules'), note: Note, by: By }),
]);

const ANSWERS = ['taken', 'declined'] as const;
export type PublishedAnswer = (typeof ANSWERS)[number];

/** What a kitchen says to it. */
export const AnswerAsked = z.object({
  answer: z.enum(ANSWERS, { error: issue('answer is taken or declined') }),
  by: By,
});

/** How a kitchen answered something, as the group’s leader sees it; null while it has not. */
export type AnswerTold = {
  readonly kitchen: string;
  readonly name: string;
  readonly answer: PublishedAnswer | null;
};

/** The newest edition of something a group published. */
export type PublishedTold = {
  readonly id: string;
  readonly kind: 'recipe' | 'rules';
  /** The recipe’s id; empty of the rules. */
  readonly subject: string;
  /** The recipe’s name; empty of the rules. */
  readonly name: string;
  readonly edition: number;
  readonly note: string;
  readonly by: string;
  readonly at: string;
  /** What this kitchen said to it; null while it has not, and of what it published itself. */
  readonly answer: PublishedAnswer | null;
  /** The version of the recipe, or the revision of the kitchen, it was taken as. */
  readonly takenAs: number | null;
  /** What taking it would change here, a line a thing; empty where nothing. */
  readonly changes: readonly ChangedLine[];
  /** How each kitchen answered; empty but for the one that leads. */
  readonly answers: readonly AnswerTold[];
};

/** What a group sees of a kitchen: counts of the last days, never a line of its record. */
export type KitchenFigures = {
  readonly kitchen: string;
  readonly name: string;
  readonly batches: number;
  readonly first: number;
  readonly putRight: number;
  readonly outside: number;
  readonly untested: number;
  readonly thrown: number;
  /** Times something kept was thrown away, and of those because it cooled too slowly. */
  readonly binned: number;
  readonly tooSlow: number;
  /** When anything was last written there; null where nothing ever was. */
  readonly lastLine: string | null;
  readonly waiting: number;
  readonly declined: number;
};

/** A kitchen’s group as that kitchen sees it; null where it is in none. */
export type GroupTold = {
  readonly name: string;
  readonly leads: boolean;
  readonly published: readonly PublishedTold[];
  /** Of the last so many days; null but for the kitchen that leads. */
  readonly figures: readonly KitchenFigures[] | null;
  readonly days: number;
  /** What could be published; empty but for the kitchen that leads. */
  readonly recipes: readonly { readonly id: string; readonly name: string }[];
} | null;
