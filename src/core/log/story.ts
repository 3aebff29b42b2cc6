import { type Cause, causesOf } from '../adjust/why';
import { type Difference, differencesOf } from '../batch/differences';
import type { BatchEvent } from '../batch/events';
import { ahead, doubtAhead, potAt } from '../batch/follow/ahead';
import { type Followed, follow } from '../batch/follow/follow';
import { evidenceOf } from '../batch/follow/readings';
import type { Batch } from '../batch/record';
import { batchState } from '../batch/state';
import { ingredient } from '../food/catalogue';
import { volumeAt } from '../heat/vessel';
import { bowlsOf } from '../learn/own/batch/hearing';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { repeat } from '../plan/solve/simulate';
import { observe } from '../pot/observe';
import { NOTHING_BESIDE, THE_POT } from '../pot/pans/pan';

/** The pot at a moment: seconds from the start, °C, mL, mPa·s in the bowl. */
export type StoryPoint = {
  readonly seconds: number;
  readonly celsius: number;
  readonly volumeMl: number;
  readonly bowlViscosity: number;
};

/** What somebody read, on the same clock. */
export type StoryReading = {
  readonly seconds: number;
  readonly what: 'celsius' | 'volumeMl' | 'bowlViscosity';
  readonly value: number;
};

/** Something done that the plan did not have, or a step of it done: what is written at its moment. */
export type StoryMark = {
  readonly seconds: number;
  readonly kind: 'step' | 'correction' | 'put in' | 'added' | 'left out';
  readonly says: Message | string;
};

/** A batch as it was to go and as it went, on one clock. */
export type Story = {
  readonly planned: readonly StoryPoint[];
  readonly happened: readonly StoryPoint[];
  readonly readings: readonly StoryReading[];
  readonly marks: readonly StoryMark[];
  readonly differences: readonly Difference[];
  /** What the model thinks it was, the largest first. */
  readonly causes: readonly Cause[];
};

/** s between two points of the curve. */
const EVERY = 60;

/** A batch nobody ended is told no longer than this after its last line, s. */
const AFTER_LAST = 300;

function pointAt(f: Followed, at: number): StoryPoint {
  const { variant } = potAt(f, f.startedAt + at * 1000);
  const seen = observe(variant.pot, variant.kitchen);
  return {
    seconds: at,
    celsius: variant.pot.celsius,
    volumeMl: seen.volumeMl,
    bowlViscosity: seen.bowlViscosity,
  };
}

/** As planned, from the record’s own steps. */
function plannedOf({ plan }: Batch): readonly StoryPoint[] {
  const { cooked } = plan;
  const steps = plan.steps.flatMap((s) => (s.does ? [s.does] : []));
  if (!cooked || steps.length === 0) return [];
  const { vessel, burner, kitchen } = cooked;
  const run = repeat(steps, { vessel, burner, kitchen }, cooked.beside ?? NOTHING_BESIDE);
  return run.ran
    .filter((r) => r.pan === THE_POT)
    .map((r) => {
      const seen = observe(r.pot, kitchen);
      return {
        seconds: r.pot.seconds,
        celsius: r.pot.celsius,
        volumeMl: seen.volumeMl,
        bowlViscosity: seen.bowlViscosity,
      };
    });
}

/** As believed, from tap to tap, with a point a minute between. */
function happenedOf(batch: Batch, events: readonly BatchEvent[], until: number): readonly StoryPoint[] {
  const points: StoryPoint[] = [];
  const start = Date.parse(batch.startedAt);
  let f = follow({ ...batch, events: [] });
  if (!f) return [];
  let at = 0;
  for (let n = 0; n <= events.length; n++) {
    const next = n < events.length ? (Date.parse(events[n]?.at ?? '') - start) / 1000 : until;
    for (; at < next && at <= until; at += EVERY) points.push(pointAt(f, at));
    if (n === events.length) break;
    f = follow({ ...batch, events: events.slice(0, n + 1) }, f) ?? f;
  }
  points.push(pointAt(f, until));
  return points;
}

function readingsIn(batch: Batch, f: Followed): readonly StoryReading[] {
  const { vessel } = f.cooked;
  const since = (at: string): number => (Date.parse(at) - f.startedAt) / 1000;
  const [first] = f.variants;
  return [
    ...f.state.events.flatMap(({ at, body }): StoryReading[] => {
      const seconds = since(at);
      switch (body.kind) {
        case 'temperature':
          return [{ seconds, what: 'celsius', value: body.celsius }];
        case 'depth':
          return [{ seconds, what: 'volumeMl', value: volumeAt(vessel, body.mm) }];
        case 'volume':
          return [{ seconds, what: 'volumeMl', value: body.ml }];
        case 'mass': {
          const said = first && evidenceOf(body, first.pot);
          return said
            ? [
                {
                  seconds,
                  what: 'volumeMl',
                  value: observe(first.pot, first.kitchen).volumeMl * Math.exp(said.miss),
                },
              ]
            : [];
        }
        default:
          return [];
      }
    }),
    ...bowlsOf(batch).map(
      ({ at, measured }): StoryReading => ({
        seconds: (at - f.startedAt) / 1000,
        what: 'bowlViscosity',
        value: measured,
      }),
    ),
  ];
}

function marksIn(f: Followed): readonly StoryMark[] {
  return f.state.events.flatMap(({ at, body }): StoryMark[] => {
    const seconds = (Date.parse(at) - f.startedAt) / 1000;
    const step = (key: unknown): string => f.state.steps.find((s) => s.key === key)?.title ?? '';
    switch (body.kind) {
      case 'step-done':
        return [{ seconds, kind: 'step', says: step(body.step) }];
      case 'step-skipped':
        return [{ seconds, kind: 'left out', says: message('Left out: {step}', { step: step(body.step) }) }];
      case 'corrected':
        return [{ seconds, kind: 'correction', says: body.title }];
      case 'step-added':
        return [{ seconds, kind: 'added', says: body.title }];
      case 'put-in':
        return [
          {
            seconds,
            kind: 'put in',
            says: message('{g} {name}', {
              g: { g: body.g },
              name: { within: term(ingredient(body.ingredient).name) },
            }),
          },
        ];
      default:
        return [];
    }
  });
}

/** The whole story of a batch; null where its record has no steps to cook. */
export function storyOf(batch: Batch): Story | null {
  const f = follow(batch);
  if (!f) return null;
  const { finished, events } = batchState(batch);
  const start = Date.parse(batch.startedAt);
  const last = Math.max(start, ...events.map((e) => Date.parse(e.at)));
  const until = finished ? (Date.parse(finished.at) - start) / 1000 : (last - start) / 1000 + AFTER_LAST;
  const counted = events.filter((e) => !finished || Date.parse(e.at) <= Date.parse(finished.at));
  const to = ahead(f, start + until * 1000, batch.plan.litres);
  return {
    planned: plannedOf(batch),
    happened: happenedOf(batch, counted, Math.max(1, until)),
    readings: readingsIn(batch, f),
    marks: marksIn(f),
    differences: differencesOf(batch, f.state, finished?.yieldMl ?? null),
    causes: causesOf(f, doubtAhead(f, to).slopes),
  };
}
