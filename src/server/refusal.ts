import type * as z from 'zod';
import { type Message, message } from '../core/message/message';
import type { Language } from '../core/text/catalogue';
import { inEnglish, type Words, wordsFor } from '../core/text/inWords';
import type { Spoken } from '../core/text/spoken';
import { METRIC, type Show } from '../core/units/shown/show';
import { issueWords, valueAt } from '../core/words/issueWords';
import { isAway, noted } from './data/database';
import { log } from './log';

/** Problems told of one request. */
export const MOST_PROBLEMS = 50;

/**
 * One thing wrong with what was sent: the field, what it held, and what it may hold. What only a program can get
 * wrong is plain English.
 */
export type Problem = {
  readonly field: Message | string;
  readonly given: Message | string;
  readonly allowed: Message | string;
};

/** A problem as it is told to one who reads so. */
const toldIn = (say: Words, p: Problem): Spoken<Problem> => {
  const said = (words: Message | string) => (typeof words === 'string' ? words : say(words));
  return { field: said(p.field), given: said(p.given), allowed: said(p.allowed) };
};

/** A request that is refused; nothing has been written. */
export class Refusal extends Error {
  override readonly name = 'Refusal';
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 405 | 409 | 413 | 415 | 421 | 422 | 503,
    readonly problems: readonly Problem[],
    /** The units of the kitchen it speaks of. */
    readonly show: Show = METRIC,
    /** What would let it through: the lead’s PIN, or a key. */
    readonly wants: 'pin' | 'key' | null = null,
  ) {
    super(
      problems
        .map((p) => toldIn(inEnglish, p))
        .map((p) => `${p.field}: ${p.given}; ${p.allowed}`)
        .join('. '),
    );
  }
}

/** Whether `error` is a refusal; pages are bundled apart from the server, so that there are two classes of that name. */
export const isRefusal = (error: unknown): error is Refusal =>
  error instanceof Error && error.name === 'Refusal' && 'problems' in error;

type Told = Message | string;

const refuse = (status: Refusal['status'], field: string, given: Told, allowed: Told): Refusal =>
  new Refusal(status, [{ field, given, allowed }]);

export const unknown = (field: string, given: string, known: readonly string[]): Refusal =>
  refuse(
    404,
    field,
    message('“{given}” is not known', { given }),
    known.length ? message('one of {known}', { known: { listed: known } }) : message('none is stored'),
  );

export const notAllowed = (status: 403 | 405 | 415 | 421, field: string, given: string, allowed: string) =>
  refuse(status, field, given, allowed);

/** What cannot be done now, and can later: nothing has been written, and nothing is lost by waiting. */
export const busy = (given: Told, allowed: Told = message('try again in a moment')): Refusal =>
  refuse(503, 'server', given, allowed);

/** What a station may not do; with the PIN where that would let it. */
export const beyond = (wants: 'pin' | 'key' | null): Refusal =>
  wants === 'key'
    ? new Refusal(
        401,
        [
          {
            field: 'station',
            given: message('this device is not paired with the kitchen'),
            allowed: message('a code from Kitchen › Stations'),
          },
        ],
        METRIC,
        wants,
      )
    : new Refusal(
        403,
        [
          {
            field: 'station',
            given: message('this is not for this station to do'),
            allowed: wants ? message('a lead, by the PIN') : message('a station that may'),
          },
        ],
        METRIC,
        wants,
      );

export const cannot = (field: string, given: Told, allowed: Told, show?: Show): Refusal =>
  new Refusal(422, [{ field, given, allowed }], show);

export const taken = (field: string, given: Told, allowed: Told): Refusal =>
  refuse(409, field, given, allowed);

/** Somebody else saved `what` since it was read. */
export const stale = (what: string): Refusal =>
  taken(
    what,
    message('somebody saved it since you opened it'),
    message('copy what you typed, load it again, and make the change there'),
  );

const shown = (value: unknown): Told => {
  if (value === undefined) return message('missing');
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 80 ? `${text.slice(0, 77)}…` : text;
};

/** Deepest nesting of arrays and objects anything we read has, with room to spare. */
const DEEPEST = 64;

/**
 * A watch over JSON that comes in pieces: true once it nests deeper than anything we read, so that what walks it
 * would run out of stack.
 */
export function depthGuard(): (bytes: Uint8Array) => boolean {
  let depth = 0;
  let inText = false;
  let escaped = false;
  return (bytes) => {
    for (const c of bytes) {
      if (escaped) escaped = false;
      else if (inText) {
        if (c === 92) escaped = true;
        else if (c === 34) inText = false;
      } else if (c === 34) inText = true;
      else if (c === 91 || c === 123) {
        if (++depth > DEEPEST) return true;
      } else if (c === 93 || c === 125) depth--;
    }
    return false;
  };
}

/**
 * A watch over JSON that comes in pieces: true once it holds half a character, written as one of the two escapes a
 * sign beyond the first 65 536 is written by. A reader in pieces would put another sign in its place and say nothing.
 */
export function halfGuard(): (bytes: Uint8Array) => boolean {
  let escaped = false;
  /** Hex digits of an escape read so far; null outside one. */
  let digits: string | null = null;
  /** Bytes since a first half ended: the second has to begin at once. */
  let since: number | null = null;
  return (bytes) => {
    for (const c of bytes) {
      if (digits !== null) {
        digits += String.fromCharCode(c);
        if (digits.length < 4) continue;
        const sign = Number.parseInt(digits, 16);
        digits = null;
        const second = sign >= 0xdc00 && sign <= 0xdfff;
        if (second !== (since !== null)) return true;
        since = sign >= 0xd800 && sign <= 0xdbff ? 0 : null;
        continue;
      }
      const begins = since === 0 ? c === 92 : since === 1 ? c === 117 : true;
      if (!begins) return true;
      if (since !== null) since++;
      if (escaped) {
        escaped = false;
        if (c === 117) digits = '';
      } else if (c === 92) escaped = true;
    }
    return false;
  };
}

/** Whether JSON `text` nests deeper than anything we read. */
export const tooDeep = (text: string): boolean => depthGuard()(Buffer.from(text));

/** JSON `text` as a value, or the refusal that says what is wrong with it. */
export function jsonIn(text: string): unknown {
  if (tooDeep(text)) throw refuse(400, 'body', 'nested too deep', `at most ${DEEPEST} levels`);
  try {
    return JSON.parse(text);
  } catch {
    throw notJson(text);
  }
}

/** Where in `value` a text is that a database cannot hold, NUL or half a character; null when nowhere. */
function unstorable(value: unknown, path: readonly string[] = []): readonly string[] | null {
  if (typeof value === 'string') return value.includes('\0') || !value.isWellFormed() ? path : null;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    const found = unstorable(key, [...path, key]) ?? unstorable(inner, [...path, key]);
    if (found) return found;
  }
  return null;
}

/** `input` as `schema` says, or a refusal that names every field that is wrong; `whole` names the input itself. */
export function accept<S extends z.ZodType>(schema: S, input: unknown, whole = 'body'): z.output<S> {
  const result = schema.safeParse(input);
  if (result.success) {
    const bad = unstorable(result.data);
    if (bad)
      throw refuse(
        400,
        bad.join('.') || whole,
        message('a sign no text can hold'),
        message('text of whole Unicode signs'),
      );
    return result.data;
  }
  throw new Refusal(
    400,
    result.error.issues.slice(0, MOST_PROBLEMS).map((issue) => ({
      field: issue.path.map(String).join('.') || whole,
      given: shown(valueAt(input, issue.path)),
      allowed: issueWords(issue, valueAt(input, issue.path)),
    })),
  );
}

export const tooLarge = (bytes: number, limit: number): Refusal =>
  refuse(413, 'body', `${bytes} bytes or more`, `at most ${limit} bytes`);

const notJson = (text: string): Refusal =>
  refuse(400, 'body', text.length ? 'not JSON' : 'empty', 'a JSON object');

/** The bytes of a request, read no further than `limit` of them. */
export async function readBytes(request: Request, limit: number): Promise<Uint8Array> {
  const announced = Number(request.headers.get('content-length') ?? 0);
  if (announced > limit) throw tooLarge(announced, limit);
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > limit) {
      await reader.cancel();
      throw tooLarge(size, limit);
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks);
}

/** The request's text, read no further than `limit` bytes. */
export const readText = async (request: Request, limit: number): Promise<string> =>
  Buffer.from(await readBytes(request, limit)).toString('utf8');

/** The request's JSON, read no further than `limit` bytes. */
export async function readJson(request: Request, limit = 64 * 1024): Promise<unknown> {
  return jsonIn(await readText(request, limit));
}

/** Headers that make a browser keep the answer as a file. */
export const fileNamed = (name: string): Record<string, string> => ({
  'content-disposition': `attachment; filename="${name.replace(/[^a-zA-Z0-9._-]/g, '-')}"`,
});

type Answer = { readonly status: number; readonly body: unknown; readonly headers?: Record<string, string> };

/** Seconds after which it is worth trying again. */
const RETRY_AFTER = '2';

const refusedWith = ({ status, problems, show, wants }: Refusal, language: Language): Answer => ({
  status,
  body: { problems: problems.map((p) => toldIn(wordsFor({ ...show, language }), p)) },
  ...(status === 503 && { headers: { 'retry-after': RETRY_AFTER } }),
  ...(wants && { headers: { 'x-panache-wants': wants } }),
});

/** What `work` answers; a refusal as its status and problems in `language`, what fails here as one plain line. */
export async function answered(
  work: () => Promise<{ status?: number; body: unknown; headers?: Record<string, string> }>,
  language: Language = 'en',
): Promise<Answer> {
  try {
    return { status: 200, ...(await work()) };
  } catch (error) {
    if (isRefusal(error)) return refusedWith(error, language);
    if (isAway(error)) {
      noted(error);
      return refusedWith(
        busy(
          message('the kitchen’s database is away or too slow'),
          message('nothing was written; try again in a moment'),
        ),
        language,
      );
    }
    log().error({ err: error }, 'a request failed');
    const failed: Problem = {
      field: 'server',
      given: message('something failed here'),
      allowed: message('nothing was written; try again'),
    };
    return { status: 500, body: { problems: [toldIn(wordsFor({ ...METRIC, language }), failed)] } };
  }
}

/** Runs a route: text, bytes and streams go out as they are, anything else as JSON. */
export async function respond(work: Parameters<typeof answered>[0], language?: Language): Promise<Response> {
  const { status, body, headers } = await answered(work, language);
  if (typeof body === 'string' || body instanceof Uint8Array || body instanceof ReadableStream)
    return new Response(body as BodyInit, { status, ...(headers && { headers }) });
  return Response.json(body, { status, ...(headers && { headers }) });
}
