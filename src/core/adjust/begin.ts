import type { EventBody } from '../batch/events';
import type { BatchState } from '../batch/state';
import { type Message, message } from '../message/message';
import type { Step } from '../pot/step';
import type { Words } from '../text/inWords';
import { capital } from '../units/shown/format';
import { titleOf } from '../words/steps';
import type { Fault } from './faults';

/** What stands after every correction. */
export const CHECK_AGAIN = message('Check the consistency again');

/** A correction chosen: words to be followed first, then steps the model cooks too. */
export type Chosen = {
  readonly title: Message;
  readonly faults: readonly Fault[];
  /** Lines done before the steps, each a step of its own; `minutes` are theirs together. */
  readonly how: readonly Message[];
  readonly minutes: number;
  /** Null when nothing is dosed. */
  readonly dosed: {
    readonly steps: readonly Step[];
    readonly viscosity: number;
    readonly bracket: readonly [number, number];
    readonly minutes: number;
  } | null;
};

const WORDS = 120;
const MOST_MINUTES = 600;

/**
 * What is written into a batch when a correction begins, in this order: the prediction, its steps before the
 * next step of the plan, a test after them, and a timer over it all. A test still waiting from the correction
 * before is done: it is what led here. What is written into the record is in the words of whoever begins it.
 */
export function beginning(
  { steps, current }: Pick<BatchState, 'steps' | 'current'>,
  { title, faults, how, minutes, dosed }: Chosen,
  say: Words,
): readonly EventBody[] {
  const rest = steps.slice(current);
  const planned = steps.filter((s) => typeof s.key === 'number').length;
  const next = rest.find((s) => typeof s.key === 'number')?.key;
  const before = typeof next === 'number' ? next : planned;
  const at = rest[0];
  const each = Math.round((Math.min(MOST_MINUTES, minutes) / Math.max(1, how.length)) * 10) / 10;
  return [
    ...(at && typeof at.key === 'string' && at.checks ? [{ kind: 'step-done' as const, step: at.key }] : []),
    ...(dosed
      ? [
          {
            kind: 'corrected' as const,
            faults: [...faults],
            title: say(title).slice(0, WORDS),
            predicted: dosed.viscosity,
            low: dosed.bracket[0],
            high: dosed.bracket[1],
          },
        ]
      : []),
    ...how.map((line) => ({
      kind: 'step-added' as const,
      before,
      title: capital(say(line)).slice(0, WORDS),
      minutes: Math.max(0, each),
    })),
    ...(dosed?.steps ?? []).map((does) => ({
      kind: 'step-added' as const,
      before,
      title: titleOf(does),
      does,
    })),
    { kind: 'step-added', before, title: say(CHECK_AGAIN), minutes: 2, checks: true },
    {
      kind: 'timer-started',
      name: say(title).slice(0, 60),
      seconds: Math.max(60, Math.round((minutes + (dosed?.minutes ?? 0)) * 60)),
    },
  ];
}
