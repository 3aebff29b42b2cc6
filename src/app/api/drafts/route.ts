import * as z from 'zod';
import { WHENS } from '../../../core/formats/draft/draftSteps';
import { issue } from '../../../core/message/told';
import { accept, readJson } from '../../../server/refusal';
import { work } from '../../../server/work/work';
import { respond } from '../respond';

const Reviewed = z.object({
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

/** Makes a recipe of looked-at lines, writing nothing; it is the editor that saves it. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => ({
    body: await work('draft', accept(Reviewed, await readJson(request, 400_000))),
  }));
}
