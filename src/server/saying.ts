import type * as z from 'zod';
import { savedBy } from './guard/asking';
import { accept } from './refusal';

/** As {@link accept}, of what says who saves it: by the key where there is one. */
export function acceptSaid<S extends z.ZodType<{ readonly by: string }>>(
  schema: S,
  input: unknown,
): z.output<S> {
  const said = accept(schema, input);
  return { ...said, by: savedBy(said.by) };
}
