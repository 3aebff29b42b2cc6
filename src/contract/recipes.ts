import * as z from 'zod';
import { WHENS } from '../core/formats/draft/draftSteps';
import { issue } from '../core/message/told';
import { By, Note } from './saying';

/** A recipe to keep for the first time. */
export const NewRecipe = z.object({ body: z.unknown(), note: Note, by: By });

/** A change to a recipe, with the version it was made from. */
export const ChangedRecipe = z.object({
  body: z.unknown(),
  note: Note,
  by: By,
  base: z.int({ error: issue('base is the number of the version that was changed') }).min(1),
});

/** An old version to be the newest again. */
export const RestoredRecipe = z.object({ version: z.int({ error: issue('version is a number') }), by: By });

/** Put away, or taken out again. */
export const ArchivedRecipe = z.object({
  archived: z.boolean({ error: issue('archived is true or false') }),
});

/** Lines of somebody’s recipe as they were looked at, to make a recipe of. */
export const ReviewedLines = z.object({
  name: z
    .string({ error: issue('name is text') })
    .trim()
    .min(1, issue('give the soup a name'))
    .max(80),
  instructions: z.array(z.string().max(5000)).max(100).default([]),
  open: z.object({ dose: z.boolean(), liquid: z.boolean() }),
  lines: z
    .array(
      z.object({
        ingredient: z.string(),
        amount: z.string().max(60),
        prep: z.string().max(200).default(''),
        when: z.enum(WHENS),
      }),
    )
    .min(1, issue('no line is left'))
    .max(100),
});

/** A recipe as it stands after it was saved; not new where nothing was changed. */
export type SavedRecipe = { readonly id: string; readonly version: number; readonly isNew: boolean };
