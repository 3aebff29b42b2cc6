import { MOST_CHARACTERS, openFile } from '../../../core/formats/openFile';
import { badFile } from '../../../server/archive';
import { readText, respond } from '../../../server/refusal';

/** Says what a file is and reads it, writing nothing: a recipe, a draft to look at, a kitchen or an archive. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    // A character may take four bytes.
    const opened = openFile(await readText(request, MOST_CHARACTERS * 4));
    if (opened.kind === 'refused') throw badFile(opened.problems);
    if (opened.kind === 'recipe') return { body: { kind: 'recipe', body: opened.body } };
    return { body: opened };
  });
}
