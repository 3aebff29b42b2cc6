import { isMessage, type Message, message, type Value, type Values } from './message';

/** A value in plain English and metric units, for a log or a program that has no catalogue at hand. */
const plain = (value: Value | undefined): string => {
  if (typeof value !== 'object') return String(value ?? '');
  if (isMessage(value)) return plainly(value);
  return Object.values(value)
    .map((one: Value | readonly Value[]) =>
      Array.isArray(one) ? one.map(plain).join(', ') : plain(one as Value),
    )
    .join(' to ');
};

/** A message with its braces filled; choices stay as they are written. */
const plainly = ({ text, values = {} }: Message): string =>
  text.replace(/\{(\w+)\}/g, (whole, name: string) => (name in values ? plain(values[name]) : whole));

/** What cannot be, and why: an error that whoever catches it can say in the reader’s language. */
export class Told extends RangeError {
  override readonly name: string = 'Told';
  constructor(readonly says: Message) {
    super(plainly(says));
  }
}

/** What an error says: its message where it has one, else its English text as it stands. */
export const saidBy = (error: Error): Message | string =>
  error instanceof Told ? error.says : error.message;

/**
 * A message as the text of a schema’s error, which can only be a text. Read back by {@link issued}.
 *
 * @example
 * issue('give it a name') // '{"text":"give it a name"}'
 */
export const issue = (text: string, values?: Values): string => JSON.stringify(message(text, values));

/** The message in a schema’s error; null where the error is the schema’s own. */
export function issued(text: string): Message | null {
  if (!text.startsWith('{"text":')) return null;
  const said: unknown = JSON.parse(text);
  return isMessage(said) ? said : null;
}
