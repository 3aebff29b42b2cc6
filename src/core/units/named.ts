import * as z from 'zod';
import { issue } from '../message/told';

/** A name as it is shown: at most so many characters, and something in it that is seen. What is missing is said by `says`. */
export const named = (most: number, says = issue('give it a name')) =>
  z.string().min(1, says).max(most).regex(/\S/, says);
