import type { EventBody } from '../../../batch/events';
import { deedsOf } from '../../../batch/follow/deeds';
import { SCATTER } from '../../../batch/follow/filter';
import { type Followed, follow, slopesOf } from '../../../batch/follow/follow';
import { move } from '../../../batch/follow/move';
import { ASPECTS, evidenceOf } from '../../../batch/follow/readings';
import { stepDone } from '../../../batch/follow/rest';
import { unknownThings } from '../../../batch/follow/unknowns';
import type { Batch, CookedWith } from '../../../batch/record';
import { batchState, inSeveralPans } from '../../../batch/state';
import { dot, type Vector } from '../../../maths/matrix';
import { factorIn, soupIn } from '../../../pot/kitchen';
import { observe } from '../../../pot/observe';
import { keyOf, kindOf, type NumberKey, type NumberKind, thingOf } from '../laws';
import type { Heard } from './heard';

/** What was foreseen of a batch and then read, in logarithms: so that it can be judged by what was known then, and by nothing. */
export type Foreseen = {
  readonly what: 'viscosity' | 'litres';
  /** What was read less what the model has with nothing known of the house. */
  readonly miss: number;
  /** How that answers to each number. */
  readonly slopes: Vector;
  /** Standard deviation of all that is of this batch alone, the reading’s own error with it. */
  readonly own: number;
  /** mPa·s or mL as read. */
  readonly read: number;
};

/** A reading that could be taken, with the slopes of what it would read: ln of the dose, of litres, °C. */
export type CouldRead = { readonly what: 'cup' | 'ruler' | 'probe'; readonly slopes: Vector };

/** What else than a pot’s readings a batch tells of the house: of one number each, how far off and how surely, in ln. */
export type ToldOfNumber = { readonly key: NumberKey; readonly miss: number; readonly error: number };

/** A test of the house that may read otherwise than it should; a standard cup is taken for what it is. */
const instrumentOf = (body: EventBody): NumberKey | null =>
  body.kind === 'flow' && body.test.kind !== 'cup'
    ? keyOf('instrument', body.test.kind === 'funnel' ? body.test.name : body.test.kind)
    : null;

/** Numbers of the pot in a batch’s own kitchen, as logarithms: where the model stood that its readings were held against. */
const stoodAt = (keys: readonly NumberKey[], { kitchen }: CookedWith): readonly number[] =>
  keys.map((key) => {
    const kind = kindOf(key);
    if (kind === 'soup') return Math.log(soupIn(kitchen));
    return kind === 'instrument' || kind === 'work' || kind === 'pouring'
      ? 0
      : Math.log(factorIn(kitchen, kind, thingOf(key)));
  });

/** What somebody put in, or corrected, makes another pot of it than was foreseen. */
const PUT_RIGHT: ReadonlySet<string> = new Set(['corrected', 'put-in', 'step-added']);

const READ: ReadonlySet<string> = new Set(['temperature', 'depth', 'volume', 'mass', 'flow', 'dice']);

/** A batch gone along with by its deeds alone: the pots at any moment, never moved by a reading. */
function byDeeds(batch: Batch, known: Followed, tellsApart: typeof unknownThings = unknownThings) {
  const deeds = deedsOf(batch, known);
  const steps = batchState({ ...batch, events: deeds }).steps.flatMap((s) => (s.does ? [s.does] : []));
  const unknowns = tellsApart(steps, known.cooked);
  const start = Date.parse(batch.startedAt);
  let so: Followed | null = null;
  /** The pots at `at` (ms), what was done by then done. */
  const upTo = (at: number): Followed => {
    const done = deeds.filter((e) => Date.parse(e.at) <= at);
    so = follow({ ...batch, events: done }, so, () => unknowns);
    if (!so) throw new RangeError('a batch with steps is followed');
    return moved(so, (at - start) / 1000);
  };
  return { unknowns, upTo };
}

/** A reading as the pot of the deeds hears it; null where it says nothing of it. */
function hearing(body: EventBody, pots: Followed, keys: readonly NumberKey[]) {
  const [first] = pots.variants;
  const said = first && evidenceOf(body, first.pot);
  if (!said) return null;
  const aspects = slopesOf(pots);
  const read = instrumentOf(body);
  /** How it answers to each number, a misreading instrument’s own by `share`. */
  const slopes = (share: number): number[] =>
    keys.map((key, k) =>
      k < pots.unknowns.length
        ? ASPECTS.reduce((sum, a) => sum + (said.of[a] ?? 0) * (aspects[a][k] ?? 0), 0)
        : key === read
          ? share
          : kindOf(key) === 'soup'
            ? (said.of.thickness ?? 0)
            : 0,
    );
  return { said, slopes, volumeMl: observe(first.pot, pots.kitchen).volumeMl };
}

/** What was foreseen of what a reading read, were nothing known of the house: `stood` is what the model knew already. */
function foreseenIn(
  { said, slopes, volumeMl }: NonNullable<ReturnType<typeof hearing>>,
  stood: Vector,
): Foreseen | null {
  const what = said.bowl ? 'viscosity' : said.speaksOf === 'water' ? 'litres' : null;
  if (!what) return null;
  const steep = said.bowl?.steepness ?? 1;
  const by = slopes(1 / steep).map((s) => s * steep);
  return {
    what,
    miss: said.miss * steep + dot(by, stood),
    slopes: by,
    own: steep * Math.hypot(said.error, ...ASPECTS.map((a) => (said.of[a] ?? 0) * SCATTER[a])),
    read: said.bowl?.measured ?? volumeMl * Math.exp(said.miss),
  };
}

/** Flow tests of a batch as they put the bowl, mPa·s, with their moments, ms; of its record’s own pot. */
export function bowlsOf(batch: Batch): readonly { readonly at: number; readonly measured: number }[] {
  const known = follow(batch);
  if (!known) return [];
  const tests = known.state.events.filter((e) => e.body.kind === 'flow');
  if (tests.length === 0) return [];
  const { upTo } = byDeeds(batch, known, () => []);
  return tests.flatMap(({ at, body }) => {
    const [first] = upTo(Date.parse(at)).variants;
    const bowl = first && evidenceOf(body, first.pot)?.bowl;
    return bowl ? [{ at: Date.parse(at), measured: bowl.measured }] : [];
  });
}

/** ln of the bowl’s viscosity goes about so many times with ln of the dose. */
const STEEP = 3;

/** s until somebody sees that it has come to its heat and taps, how much that differs, and as a share what else does. Our assumptions. */
const SEEN = { after: 20, spread: 30, share: 0.06 } as const;
/** One number moved by its spread changes no honest climb by more than this, in ln of its time. Our assumption. */
const STALLS = 0.3;
/** A climb shorter than this, s, says little of its burner. */
const A_CLIMB = 150;

/**
 * How long it took to come to its heat, as the tap that ended the step says, against what it would have: in ln of seconds. Null
 * of other steps, of what was marked with others, and of several pans, where the step may have begun at another time.
 */
function cameTo(
  { events, steps }: Followed['state'],
  n: number,
  { start, upTo }: { readonly start: number; readonly upTo: (at: number) => Followed },
): Heard | null {
  const event = events[n];
  if (event?.body.kind !== 'step-done' || inSeveralPans(steps)) return null;
  const { step } = event.body;
  const here = steps.findIndex((s) => s.key === step);
  const was = steps[here];
  if (was?.does?.kind !== 'bring-to') return null;
  const from = Date.parse(steps[here - 1]?.done?.at ?? (here === 0 ? new Date(start).toISOString() : ''));
  const took = (Date.parse(event.at) - from) / 1000 - SEEN.after;
  if (!(took > A_CLIMB)) return null;
  const pots = upTo(from);
  const [first, ...others] = pots.variants.map((v) => Math.log(stepDone(v).pot.seconds - v.pot.seconds));
  if (first === undefined || !Number.isFinite(first) || first < Math.log(A_CLIMB)) return null;
  // Near where it would never get there, a little more or less makes all the difference: that is no slope.
  if (others.some((t) => !(Math.abs(t - first) < STALLS))) return null;
  return {
    minutes: (Date.parse(event.at) - start) / 60_000,
    slopes: others.map((t, k) => (t - first) / (pots.unknowns[k]?.spread ?? 1)),
    of: {},
    miss: Math.log(took) - first,
    error: Math.hypot(SEEN.share, SEEN.spread / took),
    speaksOf: 'heat',
  };
}

/** The readings of a batch as its deeds hear them, and the numbers they hang on; null where its record has no steps to cook. */
export function readingsOf(batch: Batch, told: readonly ToldOfNumber[] = []) {
  const { cooked } = batch.plan;
  const known = follow(batch);
  if (!cooked || !known) return null;
  const { unknowns, upTo } = byDeeds(batch, known);
  const { events } = known.state;
  const keys: readonly NumberKey[] = [
    ...unknowns.map((u) => keyOf(u.factor as NumberKind, u.of ?? '')),
    keyOf('soup', batch.recipeId),
    ...new Set([...events.flatMap((e) => instrumentOf(e.body) ?? []), ...told.map((t) => t.key)]),
  ];
  const stood = stoodAt(keys, cooked);
  const start = Date.parse(batch.startedAt);
  const heard: Heard[] = [];
  const foreseen: Foreseen[] = [];
  let right = true;
  for (const [n, { body, at }] of events.entries()) {
    if (PUT_RIGHT.has(body.kind)) right = false;
    const came = body.kind === 'step-done' ? cameTo(known.state, n, { start, upTo }) : null;
    if (came) heard.push({ ...came, slopes: keys.map((_, k) => came.slopes[k] ?? 0) });
    const hears = READ.has(body.kind) ? hearing(body, upTo(Date.parse(at)), keys) : null;
    if (!hears) continue;
    const { said, slopes } = hears;
    heard.push({
      of: said.of,
      miss: said.miss,
      error: said.error,
      speaksOf: said.speaksOf,
      minutes: Math.max(0, Date.parse(at) - start) / 60_000,
      slopes: slopes(1 / (said.bowl?.steepness ?? 1)),
    });
    const could = right ? foreseenIn(hears, stood) : null;
    if (could && !foreseen.some((f) => f.what === could.what)) foreseen.push(could);
  }
  const there = upTo(Math.max(start, ...events.map((e) => Date.parse(e.at))));
  const end = bowlSlopes(there);
  const aspects = slopesOf(there);
  const inOrder = (slopes: Vector, soup: number): number[] =>
    keys.map((key, k) => (k < unknowns.length ? (slopes[k] ?? 0) : kindOf(key) === 'soup' ? soup : 0));
  const steep = Math.max(...end.map(Math.abs), 1e-9) > 1e-6 ? STEEP : 0;
  return {
    keys,
    heard,
    foreseen,
    stood,
    cooked,
    atEnd: inOrder(end, steep),
    could: [
      {
        what: 'cup' as const,
        slopes: inOrder(
          end.map((s) => s / STEEP),
          1,
        ),
      },
      { what: 'ruler' as const, slopes: inOrder(aspects.water, 0) },
      { what: 'probe' as const, slopes: inOrder(aspects.heat, 0) },
    ],
  };
}

/** The followed pots at `seconds` into the batch. */
const moved = (f: Followed, seconds: number): Followed => ({
  ...f,
  variants: f.variants.map((v) => move(v, Math.max(v.pot.seconds, seconds))),
});

/** How ln of the bowl’s viscosity answers to each unknown as the pots stand. */
function bowlSlopes({ variants, unknowns }: Followed): readonly number[] {
  const [first, ...others] = variants.map((v) => Math.log(observe(v.pot, v.kitchen).bowlViscosity));
  return others.map((y, k) => (y - (first ?? 0)) / (unknowns[k]?.spread ?? 1));
}
