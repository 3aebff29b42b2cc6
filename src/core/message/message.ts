/**
 * A sentence as data: an ICU message in plain English, which is also its name in every catalogue, and the
 * figures and names in it. Said late, in the language and the units of whoever reads it ({@link inWords}).
 */
export type Message = { readonly text: string; readonly values?: Values };

/** What stands in a message's braces. */
export type Values = Readonly<Record<string, Value>>;
export type Value = string | number | Message | Figure;

/** Figures that read differently from kitchen to kitchen, and lists, which do from language to language. */
export type Figure =
  /** `exact` to a tenth, as in a record: what is a little under a limit must not read as at it. */
  | { readonly celsius: number; readonly exact?: true | undefined }
  /** "57 to 21 °C". */
  | { readonly celsius: number; readonly toCelsius: number }
  /** A volume as read on a jug. */
  | { readonly ml: number }
  /** A small volume: "60 mL"; `marked` where that is what stands on a measure, and stays beside its other. */
  | { readonly millilitres: number; readonly marked?: true | undefined }
  /** A weight. */
  | { readonly g: number }
  /** A weight of a pot, kilograms. */
  | { readonly kg: number }
  /** So much warmer or colder: a difference, not a temperature. */
  | { readonly kelvin: number }
  /** A volume as asked for: whole litres where they are whole. */
  | { readonly litres: number }
  | { readonly and: readonly Value[] }
  | { readonly or: readonly Value[] }
  /** One after another, with semicolons. */
  | { readonly all: readonly Value[] }
  /** One after another, with commas. */
  | { readonly listed: readonly Value[] }
  /** In capitals, for what must not be overlooked. */
  | { readonly loud: Message }
  /** Something said with a small letter first, as within a sentence; and with a large one. */
  | { readonly within: string | Message }
  | { readonly opening: string | Message };

/**
 * The sentence `text` with `values` in its braces: plurals, choices and nesting as ICU MessageFormat has them.
 *
 * @example
 * message('to {target}', { target: { celsius: 80 } }) // { text: 'to {target}', values: { target: { celsius: 80 } } }
 */
export const message = (text: string, values?: Values): Message => (values ? { text, values } : { text });

/** Whether a value is something to be said. */
export const isMessage = (value: unknown): value is Message =>
  typeof value === 'object' && value !== null && 'text' in value && typeof value.text === 'string';
