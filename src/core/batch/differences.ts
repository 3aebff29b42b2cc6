import { ingredient } from '../food/catalogue';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { portionsIn } from '../pot/contents/portions';
import type { Portion } from '../pot/step';
import { timeOfDay } from '../units/clock';
import { duration } from '../units/shown/format';
import { amountWords } from '../words/steps';
import type { Batch } from './record';
import type { BatchState, StepState } from './state';

/** Something that went otherwise than planned: what, as planned, as it was. */
export type Difference = {
  readonly what: Message | string;
  readonly planned: Message | string;
  readonly was: Message | string;
};

/** A step that took this much longer or shorter, both as a share and in seconds, is worth a line. */
const SHARE = 0.25;
const SECONDS = 120;
/** Tapped before this share of its time it was done earlier and only marked then: nothing is known of its time. */
const MARKED_LATE = 0.5;

function ofTime(steps: readonly StepState[], startedAt: number): readonly Difference[] {
  const ended = steps
    .flatMap((s) => (s.done ? [{ s, at: Date.parse(s.done.at) }] : []))
    .toSorted((a, b) => a.at - b.at);
  const timed = ended.map(({ s, at }, n) => ({ s, took: (at - (ended[n - 1]?.at ?? startedAt)) / 1000 }));
  const markedLate = timed.map(({ s, took }) => took < MARKED_LATE * s.seconds);
  return timed.flatMap(({ s, took }, n): Difference[] => {
    const off = Math.abs(took - s.seconds);
    // The first of several marked together took their time too.
    if (!s.planned || markedLate[n] || markedLate[n + 1]) return [];
    if (off < SECONDS || off < SHARE * s.seconds) return [];
    return [{ what: s.title, planned: duration(s.seconds), was: duration(took) }];
  });
}

const ofWeight = (steps: readonly StepState[]): readonly Difference[] =>
  steps.flatMap((s) => {
    const { does } = s.planned ?? {};
    if (!does) return [];
    const planned = portionsIn<Portion>(does);
    return [...s.weighed].flatMap(([item, g]): Difference[] => {
      const p = planned[item];
      if (!p || Math.abs(g - p.amount) < Math.max(1, p.amount * 0.01)) return [];
      return [
        {
          what: term(ingredient(p.ingredient).name),
          planned: amountWords(p.ingredient, p.amount),
          was: amountWords(p.ingredient, g),
        },
      ];
    });
  });

function ofEvents(batch: Batch, state: BatchState): readonly Difference[] {
  return state.events.flatMap(({ body, at }): Difference[] => {
    const when = timeOfDay(new Date(at));
    switch (body.kind) {
      case 'put-in':
        return [
          {
            what: message('Put in at {when}', { when }),
            planned: message('nothing'),
            was: message('{amount} {what}', {
              amount: amountWords(body.ingredient, body.g),
              what: { within: term(ingredient(body.ingredient).name) },
            }),
          },
        ];
      case 'step-added':
        return [{ what: message('Added at {when}', { when }), planned: message('nothing'), was: body.title }];
      case 'colour': {
        const does = batch.plan.steps[body.step]?.does;
        if (does?.kind !== 'roux' || does.colour === body.colour) return [];
        return [{ what: message('Colour of the roux'), planned: term(does.colour), was: term(body.colour) }];
      }
      case 'look':
        return body.looks === 'smooth'
          ? []
          : [
              {
                what: message('Look at {when}', { when }),
                planned: message('smooth'),
                was: term(body.looks),
              },
            ];
      default:
        return [];
    }
  });
}

/** All that went otherwise than planned, for whoever writes the batch up. `yieldMl` is what came of it, where that is known. */
export function differencesOf(
  batch: Batch,
  state: BatchState,
  yieldMl: number | null,
): readonly Difference[] {
  const planned = batch.plan.litres * 1000;
  return [
    ...ofWeight(state.steps),
    ...ofEvents(batch, state),
    ...state.steps.flatMap((s): Difference[] =>
      s.skipped
        ? [
            {
              what: s.title,
              planned: duration(s.seconds),
              was: message('left out: {reason}', { reason: s.skipped.reason }),
            },
          ]
        : [],
    ),
    ...ofTime(state.steps, Date.parse(batch.startedAt)),
    ...(yieldMl !== null && Math.abs(yieldMl / planned - 1) > 0.02
      ? [
          {
            what: message('Yield'),
            planned: message('{ml}', { ml: { ml: planned } }),
            was: message('{ml}', { ml: { ml: yieldMl } }),
          },
        ]
      : []),
  ];
}
