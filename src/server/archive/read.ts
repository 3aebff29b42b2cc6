import { createReadStream } from 'node:fs';
import { readFile, stat } from 'node:fs/promises';
import { JSONParser } from '@streamparser/json';
import type * as z from 'zod';
import {
  type Archive,
  ArchivedAct,
  ArchivedBatch,
  ArchivedLot,
  ArchivedPast,
  ArchivedRecipe,
  ArchivedWaterTest,
} from '../../core/formats/archive';
import { MOST_CHARACTERS, openFile } from '../../core/formats/openFile';
import { KeepEvent } from '../../core/keep/events';
import { KitchenFile } from '../../core/kitchen/kitchenFile';
import { type Message, message } from '../../core/message/message';
import { Cycle, Service } from '../../core/service/schema';
import { spoken } from '../../core/text/spoken';
import { type FoundWrong, issueWords, valueAt } from '../../core/words/issueWords';
import { depthGuard, halfGuard } from '../refusal';

/** One thing out of an archive, checked. */
export type ArchiveEntry =
  | { readonly kind: 'kitchen'; readonly kitchen: KitchenFile }
  | { readonly kind: 'recipe'; readonly recipe: Archive['recipes'][number] }
  | { readonly kind: 'batch'; readonly batch: Archive['batches'][number] }
  | { readonly kind: 'service'; readonly service: Service }
  | { readonly kind: 'cycle'; readonly cycle: Cycle }
  | { readonly kind: 'lot'; readonly lot: ArchivedLot }
  | { readonly kind: 'line'; readonly line: KeepEvent }
  | { readonly kind: 'water test'; readonly test: ArchivedWaterTest }
  | { readonly kind: 'act'; readonly act: ArchivedAct }
  | { readonly kind: 'past'; readonly past: ArchivedPast };

/** A file that cannot be used, with up to {@link MOST_PROBLEMS} places and reasons. */
export class BadArchive extends Error {
  constructor(readonly problems: readonly FoundWrong[]) {
    super(
      spoken(problems)
        .map((p) => `${p.place}: ${p.says}`)
        .join('. '),
    );
  }
}

/** Problems after which nobody reads on. */
export const MOST_PROBLEMS = 50;

const bad = (place: Message | string, says: Message): BadArchive => new BadArchive([{ place, says }]);

const lineOf = (line: number): Message => message('line {line}', { line });

/** A small file whole: what is wrong with it comes with its line. */
async function* wholeOf(text: string): AsyncGenerator<ArchiveEntry> {
  if (!/^\s*[[{]/.test(text))
    throw bad(lineOf(1), message('not JSON: a kitchen or its archive begins with {brace}', { brace: '{' }));
  const opened = openFile(text);
  if (opened.kind === 'refused') throw new BadArchive(opened.problems);
  if (opened.kind === 'kitchen') {
    yield { kind: 'kitchen', kitchen: opened.kitchen };
    return;
  }
  if (opened.kind !== 'archive')
    throw bad('format', message('this is a recipe, not a kitchen or its archive'));
  yield { kind: 'kitchen', kitchen: opened.archive.kitchen };
  for (const recipe of opened.archive.recipes) yield { kind: 'recipe', recipe };
  for (const batch of opened.archive.batches) yield { kind: 'batch', batch };
  for (const service of opened.archive.services) yield { kind: 'service', service };
  if (opened.archive.cycle) yield { kind: 'cycle', cycle: opened.archive.cycle };
  for (const lot of opened.archive.kept) yield { kind: 'lot', lot };
  for (const line of opened.archive.kitchenLines) yield { kind: 'line', line };
  for (const test of opened.archive.waterTests) yield { kind: 'water test', test };
  for (const act of opened.archive.acts) yield { kind: 'act', act };
  for (const past of opened.archive.notebook) yield { kind: 'past', past };
}

const pathWords = (path: readonly PropertyKey[]): string =>
  path.map((key) => (typeof key === 'number' ? `[${key}]` : `.${String(key)}`)).join('');

/** A piece of a large file as it was found: of which list, and where. */
type Piece = { readonly place: string; readonly key: string; readonly value: unknown };

/** What a large file is read by: its pieces wait in `found` until they are taken. */
function pieceParser(found: Piece[]): JSONParser {
  const parser = new JSONParser({
    paths: ['$.format', '$.kitchen', '$.cycle', ...LISTS.map((list) => `$.${list}.*`)],
    keepStack: false,
  });
  parser.onValue = ({ key, value, stack }) => {
    const list = stack.length > 1 ? String(stack[1]?.key) : null;
    found.push(
      list === null
        ? { key: String(key), place: String(key), value }
        : { key: list, place: `${list}[${String(key)}]`, value },
    );
  };
  return parser;
}

const LISTS = [
  'recipes',
  'batches',
  'services',
  'kept',
  'kitchenLines',
  'waterTests',
  'acts',
  'notebook',
] as const;

/** Reads the pieces of a large file one after the other; what is wrong with them is gathered, so many things at most. */
class PieceReader {
  readonly problems: FoundWrong[] = [];
  kitchens = 0;
  private format: unknown = null;
  private readonly versions = new Map<string, number>();

  get isFull(): boolean {
    return this.problems.length >= MOST_PROBLEMS;
  }

  private read<S extends z.ZodType>(schema: S, { place, value }: Piece): z.output<S> | null {
    const result = schema.safeParse(value);
    if (result.success) return result.data;
    for (const issue of result.error.issues.slice(0, MOST_PROBLEMS - this.problems.length))
      this.problems.push({
        place: `${place}${pathWords(issue.path)}`,
        says: issueWords(issue, valueAt(value, issue.path)),
      });
    return null;
  }

  private recipe(piece: Piece): ArchiveEntry | null {
    const recipe = this.read(ArchivedRecipe, piece);
    if (!recipe) return null;
    if (this.versions.has(recipe.id))
      this.problems.push({
        place: piece.place,
        says: message('“{id}” is the id of two recipes', { id: recipe.id }),
      });
    this.versions.set(recipe.id, recipe.versions.length);
    return { kind: 'recipe', recipe };
  }

  private batch(piece: Piece): ArchiveEntry | null {
    const batch = this.read(ArchivedBatch, piece);
    if (!batch) return null;
    if (batch.recipeVersion <= (this.versions.get(batch.recipeId) ?? 0)) return { kind: 'batch', batch };
    this.problems.push({
      place: `${piece.place}.recipeVersion`,
      says: message(
        'was cooked from version {version} of “{recipe}”, which the archive lacks, or has only after it',
        { version: batch.recipeVersion, recipe: batch.recipeId },
      ),
    });
    return null;
  }

  /** A piece as an entry; null of one that is none, or cannot be read. */
  entryOf(piece: Piece): ArchiveEntry | null {
    const { key, value } = piece;
    if (key === 'format') {
      this.format = value;
      return null;
    }
    if (this.format !== 'panache.archive/1')
      throw bad(
        'format',
        message('a file this large is read when it begins with {start}', {
          start: '"format": "panache.archive/1"',
        }),
      );
    switch (key) {
      case 'kitchen': {
        this.kitchens++;
        const kitchen = this.read(KitchenFile, piece);
        return kitchen && { kind: 'kitchen', kitchen };
      }
      case 'recipes':
        return this.recipe(piece);
      case 'services': {
        const service = this.read(Service, piece);
        return service && { kind: 'service', service };
      }
      case 'cycle': {
        const cycle = value === null ? null : this.read(Cycle, piece);
        return cycle && { kind: 'cycle', cycle };
      }
      case 'kept': {
        const lot = this.read(ArchivedLot, piece);
        return lot && { kind: 'lot', lot };
      }
      case 'kitchenLines': {
        const line = this.read(KeepEvent, piece);
        return line && { kind: 'line', line };
      }
      case 'waterTests': {
        const test = this.read(ArchivedWaterTest, piece);
        return test && { kind: 'water test', test };
      }
      case 'acts': {
        const act = this.read(ArchivedAct, piece);
        return act && { kind: 'act', act };
      }
      case 'notebook': {
        const past = this.read(ArchivedPast, piece);
        return past && { kind: 'past', past };
      }
      default:
        return this.batch(piece);
    }
  }

  /** Entries of all that was found and is not too much. */
  *taken(found: Piece[]): Generator<ArchiveEntry> {
    for (const piece of found.splice(0)) {
      if (this.isFull) return;
      const entry = this.entryOf(piece);
      if (entry) yield entry;
    }
  }
}

/** A large file piece by piece: never more of it in memory than one recipe or one batch. */
async function* piecesOf(file: string, onRead: (bytes: number) => void): AsyncGenerator<ArchiveEntry> {
  const found: Piece[] = [];
  const parser = pieceParser(found);
  const reader = new PieceReader();
  const { problems } = reader;
  const tooDeep = depthGuard();
  const halved = halfGuard();
  let offset = 0;
  let lines = 1;
  for await (const chunk of createReadStream(file) as AsyncIterable<Buffer>) {
    if (tooDeep(chunk)) throw bad(lineOf(lines), message('nested too deep'));
    if (halved(chunk)) throw bad(lineOf(lines), message('half a character, which no text can hold'));
    try {
      parser.write(chunk);
    } catch (error) {
      const at = Number(/position "?(\d+)/.exec(String(error))?.[1] ?? offset) - offset;
      const before = chunk.subarray(0, Math.max(0, at));
      throw bad(lineOf(lines + before.filter((b) => b === 10).length), message('not JSON'));
    }
    offset += chunk.length;
    for (const byte of chunk) if (byte === 10) lines++;
    onRead(offset);
    yield* reader.taken(found);
    if (reader.isFull) break;
  }
  if (problems.length === 0) {
    if (!parser.isEnded) throw bad(lineOf(lines), message('it ends in the middle'));
    if (reader.kitchens !== 1)
      problems.push({
        place: 'kitchen',
        says: reader.kitchens ? message('is there twice') : message('is missing'),
      });
  }
  if (problems.length > 0) throw new BadArchive(problems);
}

/**
 * A kitchen's file or archive, part by part, each checked; `onRead` is told the share of it that was read. Throws
 * {@link BadArchive} with what is wrong, at the
 * latest after the last part: whoever writes as it reads must be able to undo that.
 */
export async function* partsOf(
  file: string,
  onRead: (share: number) => void = () => {},
): AsyncGenerator<ArchiveEntry> {
  const { size } = await stat(file);
  if (size <= MOST_CHARACTERS) yield* wholeOf(await readFile(file, 'utf8'));
  else yield* piecesOf(file, (bytes) => onRead(bytes / size));
}
