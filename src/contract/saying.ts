import * as z from 'zod';
import { issue } from '../core/message/told';

/** Why something is saved, in a cook’s words. */
export const Note = z
  .string({ error: issue('note is text') })
  .max(200, issue('note is at most 200 characters'))
  .default('');

/** Who saves it, by role; empty when nobody in particular. */
export const By = z
  .string({ error: issue('by is a role') })
  .max(30, issue('a role is at most 30 characters'))
  .default('');
