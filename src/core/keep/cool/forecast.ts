import { type Cooling, cooled, SURE, type Unsure } from '../../heat/cool/body';
import { type Point, secondsTo, warmestAt } from '../../heat/cool/course';
import { linear } from '../../maths/linear';
import { quantile } from '../../maths/quantile';
import { normals, seeded } from '../../maths/random';
import type { RuleSet } from '../../safety/rules';

/** °C read `seconds` after it was set to cool so. */
export type Reading = { readonly seconds: number; readonly celsius: number };

/** What is known of a room’s film beforehand: the middle of the factor on ours, and the spread of its logarithm. */
export type FilmKnown = { readonly factor: number; readonly spread: number };

/** Of a room nothing was ever read in. Our assumption. */
export const FILM_UNKNOWN: FilmKnown = { factor: 1, spread: 0.35 };

/** Spread of what else is doubtful: logarithms of conductivity and depth, °C of the room. Our assumptions. */
const SPREAD = { conductivity: 0.1, depth: 0.05, room: 1 } as const;

/** °C the start is unsure by: read, and only supposed. */
const START = { read: 0.8, supposed: 4 } as const;

/** °C a probe is out by, and the share of what is still to cool by which it misses the warmest place. Our assumptions. */
const PROBE = 0.4;
const MISSES = 0.012;

/** A phase of cooling: one way, from one start. */
export type Phase = {
  readonly cooling: Cooling;
  /** °C at its start, as read or supposed. */
  readonly from: number;
  readonly fromRead: boolean;
  readonly readings: readonly Reading[];
  readonly film: FilmKnown;
};

/** Units of doubt: film, conductivity, depth, room, start. */
const UNITS = 5;
type Units = readonly number[];

const unsureOf = (film: FilmKnown, z: Units): Unsure => ({
  film: film.factor * Math.exp(film.spread * (z[0] ?? 0)),
  conductivity: Math.exp(SPREAD.conductivity * (z[1] ?? 0)),
  depth: Math.exp(SPREAD.depth * (z[2] ?? 0)),
  room: SPREAD.room * (z[3] ?? 0),
});

const startOf = ({ from, fromRead }: Phase, z: Units): number =>
  Math.min(105, from + (fromRead ? START.read : START.supposed) * (z[4] ?? 0));

/** The course with what is unsure as `z` says, for `seconds`. */
const courseOf = (phase: Phase, z: Units, seconds: number): readonly Point[] =>
  cooled(phase.cooling, startOf(phase, z), seconds, unsureOf(phase.film, z));

/** What readings leave of the doubt: the likeliest, and how the rest is spread about it. */
export type FilmFit = {
  readonly z: Units;
  /** Lower triangle: what three hundred draws are made of. */
  readonly spread: readonly (readonly number[])[];
  /** Of the room’s film, for the next time. */
  readonly film: FilmKnown;
};

/** Lower triangle L with L Lᵀ = m (Cholesky); m is of 5 and positive. */
function triangle(m: readonly (readonly number[])[]): readonly (readonly number[])[] {
  const l: number[][] = m.map(() => m.map(() => 0));
  for (let i = 0; i < m.length; i++)
    for (let j = 0; j <= i; j++) {
      let sum = m[i]?.[j] ?? 0;
      for (let k = 0; k < j; k++) sum -= (l[i]?.[k] ?? 0) * (l[j]?.[k] ?? 0);
      const row = l[i] as number[];
      row[j] = i === j ? Math.sqrt(Math.max(1e-12, sum)) : sum / (l[j]?.[j] ?? 1);
    }
  return l;
}

const none = (): number[] => Array.from({ length: UNITS }, () => 0);
const NUDGE = 0.2;
const ROUNDS = 5;

/** The likeliest course through the readings, and how sure it is: Gauss–Newton on the doubt’s own units. */
export function fitted(phase: Phase): FilmFit {
  const { readings, film } = phase;
  const last = Math.max(1, ...readings.map((r) => r.seconds));
  const around = phase.cooling.place.celsius;
  let z = none();
  let normal = z.map((_, i) => z.map((__, j) => (i === j ? 1 : 0)));
  for (let round = 0; readings.length > 0 && round < ROUNDS; round++) {
    const here = courseOf(phase, z, last);
    const nudged = z.map((_, i) =>
      courseOf(
        phase,
        z.map((v, j) => v + (i === j ? NUDGE : 0)),
        last,
      ),
    );
    normal = z.map((_, i) => z.map((__, j) => (i === j ? 1 : 0)));
    const right = z.map((v) => -v);
    for (const r of readings) {
      const expected = warmestAt(here, r.seconds);
      const sigma = Math.hypot(PROBE, MISSES * Math.max(0, expected - around));
      const slope = nudged.map((n) => (warmestAt(n, r.seconds) - expected) / NUDGE / sigma);
      const miss = (r.celsius - expected) / sigma;
      for (let i = 0; i < UNITS; i++) {
        right[i] = (right[i] ?? 0) + (slope[i] ?? 0) * miss;
        for (let j = 0; j < UNITS; j++) {
          const row = normal[i] as number[];
          row[j] = (row[j] ?? 0) + (slope[i] ?? 0) * (slope[j] ?? 0);
        }
      }
    }
    const step = linear(normal, right);
    if (!step) break;
    // Never further than two units at once: the course bends.
    z = z.map((v, i) => v + Math.max(-2, Math.min(2, step[i] ?? 0)));
    if (step.every((s) => Math.abs(s) < 0.01)) break;
  }
  const inverse = z.map(
    (_, i) =>
      linear(
        normal,
        z.map((__, j) => (i === j ? 1 : 0)),
      ) ?? none(),
  );
  return {
    z,
    spread: triangle(inverse),
    film: {
      factor: film.factor * Math.exp(film.spread * (z[0] ?? 0)),
      spread: film.spread * Math.sqrt(Math.max(1e-6, inverse[0]?.[0] ?? 1)),
    },
  };
}

/** What becomes of one course under the rule. */
type Verdict = {
  /** s at which the rule’s clock begins, and at which each stage is met (Infinity: never) and has to be. */
  readonly began: number;
  readonly stages: readonly { readonly to: number; readonly met: number; readonly by: number }[];
  readonly passes: boolean;
};

export function verdictOf(points: readonly Point[], rule: RuleSet['cooling'], began: number | null): Verdict {
  const from = began ?? secondsTo(points, rule.from);
  const stages = rule.stages.map(({ to, seconds }) => ({
    to,
    met: secondsTo(points, to),
    by: from + seconds,
  }));
  // What never arrives keeps no limit, whenever that would have been.
  return { began: from, stages, passes: stages.every((s) => Number.isFinite(s.met) && s.met <= s.by) };
}

/** What is to be expected of a phase. */
export type Forecast = {
  readonly points: readonly Point[];
  /** 8 in 10 courses lie between, °C, at the seconds of `band`. */
  readonly band: readonly { readonly seconds: number; readonly low: number; readonly high: number }[];
  readonly verdict: Verdict;
  /** Of passing every stage, 0–1. */
  readonly chance: number;
  readonly fit: FilmFit;
};

const DRAWS = 100;
const BANDED = 36;

/** s looked ahead at the least, and beyond the last limit. */
const AHEAD = 3600;

/** How long to look: past the last limit by an hour. */
const horizonOf = (phase: Phase, rule: RuleSet['cooling'], began: number | null): number =>
  Math.min(
    86_400,
    Math.max(
      ...phase.readings.map((r) => r.seconds),
      (began ?? 3 * AHEAD) + (rule.stages.at(-1)?.seconds ?? 0) + AHEAD,
      AHEAD,
    ),
  );

/**
 * The course of a phase after its readings, with its doubt, against the rule. `began` is when the rule’s clock did, s
 * from the phase’s start (negative: before it), null while it is hotter than that. The same question is answered the same each time.
 */
export function forecast(
  phase: Phase,
  rule: RuleSet['cooling'],
  began: number | null,
  draws = DRAWS,
): Forecast {
  const fit = fitted(phase);
  const seconds = horizonOf(phase, rule, began);
  const points = courseOf(phase, fit.z, seconds);
  const normal = normals(seeded(57));
  const courses = Array.from({ length: draws }, () => {
    const e = none().map(normal);
    const z = fit.z.map((v, i) => v + (fit.spread[i] ?? []).reduce((sum, l, j) => sum + l * (e[j] ?? 0), 0));
    return courseOf(phase, z, seconds);
  });
  const passing = courses.filter((c) => verdictOf(c, rule, began).passes).length;
  return {
    points,
    band: Array.from({ length: BANDED + 1 }, (_, n) => {
      const at = (seconds * n) / BANDED;
      const there = courses.map((c) => warmestAt(c, at)).sort((a, b) => a - b);
      return { seconds: at, low: quantile(there, 0.1), high: quantile(there, 0.9) };
    }),
    verdict: verdictOf(points, rule, began),
    chance: passing / draws,
    fit,
  };
}

/** Whether it passes as supposed, without its doubt: for trying many ways. */
export const supposed = (phase: Phase, rule: RuleSet['cooling'], began: number | null): Verdict =>
  verdictOf(
    cooled(phase.cooling, phase.from, horizonOf(phase, rule, began), { ...SURE, film: phase.film.factor }),
    rule,
    began,
  );
