import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import type { TypedStep } from '../step';
import type { StepKind } from './names';

export type FieldOption = { readonly value: string; readonly words: Message };

/** One thing a step's short form asks. */
type FieldSpec =
  | {
      readonly as: 'number';
      readonly key: string;
      readonly words: Message;
      readonly unit: string;
      readonly optional?: boolean;
      /** What an empty field means, where that is not nothing. */
      readonly empty?: Message;
    }
  | {
      readonly as: 'text';
      readonly key: string;
      readonly words: Message;
      readonly hint: Message;
      /** Of a figure in it. */
      readonly unit?: '°C';
      readonly optional?: boolean;
    }
  | {
      readonly as: 'choice';
      readonly key: string;
      readonly words: Message;
      readonly options: readonly FieldOption[];
      readonly optional?: boolean;
    }
  | { readonly as: 'tick'; readonly key: string; readonly words: Message }
  | { readonly as: 'pieces'; readonly key: string; readonly words: Message }
  /** One of the recipe’s pans; the pot where none is chosen. */
  | { readonly as: 'pan'; readonly key: string; readonly words: Message };

/** What a step holds: a list of ingredients, or single ones by name. */
export type Holds = 'items' | readonly ('flour' | 'fat' | 'thickener' | 'carrier')[];

/** The short form of a kind of step: what it asks besides its ingredients, what it holds, and how it begins when it is put in. */
export type StepForm<K extends StepKind> = {
  readonly asks: readonly FieldSpec[];
  readonly holds?: Holds;
  readonly fresh: Extract<TypedStep, { kind: K }>;
};

export const plain = (values: readonly string[]): readonly FieldOption[] =>
  values.map((v) => ({ value: v, words: term(v) }));

export const minutes = {
  as: 'number',
  key: 'minutes',
  words: message('Minutes'),
  unit: 'min',
} satisfies FieldSpec;
export const lid = {
  as: 'choice',
  key: 'lid',
  words: message('Lid'),
  options: plain(['on', 'ajar', 'off']),
} satisfies FieldSpec;
export const lidIfAny: FieldSpec = { ...lid, optional: true };
export const flame = {
  as: 'number',
  key: 'flame',
  words: message('Flame, 0.05 to 1'),
  unit: '',
} satisfies FieldSpec;
export const flameIfAny: FieldSpec = { ...flame, optional: true };
export const minutesIfAny: FieldSpec = {
  ...minutes,
  words: message('Takes'),
  optional: true,
  empty: message('as it takes'),
};
export const offHeat: FieldSpec = { as: 'tick', key: 'offHeat', words: message('Off the heat') };
export const pieces: FieldSpec = {
  as: 'pieces',
  key: 'of',
  words: message('Only these (none ticked: everything)'),
};
