import type { Message } from '../../message/message';
import type { StepOf } from '../step';
import type { StepKind } from './names';

/** What is known of one kind of step besides its shape and what it does to a pot. */
export type StepRow<K extends StepKind> = {
  /** As the editor and the versions call it. */
  readonly verb: Message;
  /** What it is for, in a few words. */
  readonly what: Message;
  /** Somebody stands at it; the others are looked at. Common practice, no source. */
  readonly attended: boolean;
  /** Needs something in the pot to be done to. */
  readonly needsLiquid: boolean;
  /** What goes in has to be made ready first, when the step has come up. */
  readonly madeReady: boolean;
  /** Its time is the cook's to choose: tapped early it was shorter. */
  readonly timed: boolean;
  /** It catches on the bottom while nobody stands at it. Common practice, no source. */
  readonly catches: boolean;
  /** Comes after whatever finishes the soup. */
  readonly late: boolean;
  /** What it did to the level, in two words; `items` where that is said by what went in; null when it does nothing to speak of. */
  readonly level: Message | 'items' | null;
  /** The step as an order: the cook's verb and what it is done to, to a pot that comes to it at `from` °C. */
  readonly title: (step: StepOf<K>, from?: number) => Message;
  /** How it is done: flame, lid, minutes, in how many goes. */
  readonly how: (step: StepOf<K>, from?: number) => readonly Message[];
  /** Why it is done so; null when it speaks for itself. */
  readonly why: (step: StepOf<K>) => Message | null;
};

/** What most kinds are. */
export const USUAL = {
  attended: false,
  needsLiquid: true,
  madeReady: false,
  timed: false,
  catches: false,
  late: false,
  level: null,
  how: () => [],
  why: () => null,
} as const;
