import type * as z from 'zod';
import { type Message, message } from '../message/message';
import { issued } from '../message/told';

type Issue = z.core.$ZodIssue;

/** One thing wrong in a file or a form: where, and what. */
export type FoundWrong = { readonly place: Message | string; readonly says: Message };

/** What was given, in quotes, and no more of it than fits a line. */
const shown = (value: unknown): string => {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? 'nothing');
  return `“${text.length > 40 ? `${text.slice(0, 39)}…` : text}”`;
};

/** What is wrong with a value, in a cook's words: the schema's own message where it has one, else what is allowed. */
export function issueWords(issue: Issue, value?: unknown): Message {
  const own = issued(issue.message);
  if (own) return own;
  if (value === undefined && /^invalid_(type|value|union)$/.test(issue.code)) return message('is missing');
  const given = shown(value);
  switch (issue.code) {
    case 'invalid_type':
      return message(
        '{given} is not {expected, select, number {a number} int {a whole number} array {a list} string {a text} boolean {yes or no} object {a record} other {what stands here}}',
        { given, expected: issue.expected },
      );
    case 'too_small': {
      const least = Number(issue.minimum);
      if (issue.origin === 'string') return message('is empty');
      if (issue.origin === 'array') return message('at least {least} is needed', { least });
      return issue.inclusive
        ? message('{given} is too little: {least} or more', { given, least })
        : message('{given} is too little: more than {least}', { given, least });
    }
    case 'too_big': {
      const most = Number(issue.maximum);
      if (issue.origin === 'string') return message('is too long: at most {most} letters', { most });
      if (issue.origin === 'array') return message('too many: at most {most}', { most });
      return message('{given} is too much: at most {most}', { given, most });
    }
    case 'invalid_value':
      return message('{given} is not one of {known}', { given, known: { listed: issue.values.map(String) } });
    case 'invalid_union':
      return issue.discriminator
        ? message('{given} cannot stand here: no such {field}', { given, field: issue.discriminator })
        : message('{given} cannot stand here', { given });
    default:
      return message('{given} cannot stand here', { given });
  }
}

/** What stands at `path` of `value`. */
export const valueAt = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (v, key) => (typeof v === 'object' && v !== null ? Reflect.get(v, key) : undefined),
    value,
  );
