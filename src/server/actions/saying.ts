import * as z from 'zod';

/** Why something is saved, in a cook’s words. */
export const Note = z
  .string({ error: 'note is text' })
  .max(200, 'note is at most 200 characters')
  .default('');

/** Who saves it, by role; empty when nobody in particular. */
export const By = z.string({ error: 'by is a role' }).max(30, 'a role is at most 30 characters').default('');
