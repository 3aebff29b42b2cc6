import type * as z from 'zod';

type Issue = z.core.$ZodIssue;

const OWN = /^(Invalid|Too small|Too big|Unrecognized|Expected)/;

const shown = (value: unknown): string => {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? 'nothing');
  return `“${text.length > 40 ? `${text.slice(0, 39)}…` : text}”`;
};

/** What is wrong with a value, in a cook's words: the schema's own message where it has one, else what is allowed. */
export function issueWords(issue: Issue, given?: unknown): string {
  if (!OWN.test(issue.message)) return issue.message;
  switch (issue.code) {
    case 'invalid_type':
      if (given === undefined) return 'is missing';
      if (issue.expected === 'number') return `${shown(given)} is not a number`;
      return `${shown(given)} is not ${issue.expected === 'array' ? 'a list' : `a ${issue.expected}`}`;
    case 'too_small':
      if (issue.origin === 'string') return 'is empty';
      if (issue.origin === 'array') return `at least ${issue.minimum} is needed`;
      return `${shown(given)} is too little: ${issue.inclusive ? '' : 'more than '}${issue.minimum}${issue.inclusive ? ' or more' : ''}`;
    case 'too_big':
      if (issue.origin === 'string') return `is too long: at most ${issue.maximum} letters`;
      if (issue.origin === 'array') return `too many: at most ${issue.maximum}`;
      return `${shown(given)} is too much: at most ${issue.maximum}`;
    case 'invalid_value':
      return `${shown(given)} is not one of ${issue.values.join(', ')}`;
    case 'invalid_union':
      return `${shown(given)} cannot stand here${issue.discriminator ? `: no such ${issue.discriminator}` : ''}`;
    default:
      return issue.message;
  }
}

/** What stands at `path` of `value`. */
export const valueAt = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (v, key) => (typeof v === 'object' && v !== null ? Reflect.get(v, key) : undefined),
    value,
  );
