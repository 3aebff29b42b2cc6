import type { EventBody } from '../batch/events';
import { toCome } from '../batch/follow/ahead';
import { varianceAlong } from '../batch/follow/filter';
import { type Followed, slopesOf } from '../batch/follow/follow';
import { move } from '../batch/follow/move';
import { stepDone } from '../batch/follow/rest';
import { ingredient } from '../food/catalogue';
import type { Allergen } from '../food/ingredient';
import { volumeAt } from '../heat/vessel';
import { type Message, message } from '../message/message';
import { massG, volumeMl } from '../pot/contents/contents';
import { portionsIn } from '../pot/contents/portions';
import { foodIn, type Kitchen } from '../pot/kitchen';
import type { Pot } from '../pot/pot';
import type { Portion, Step } from '../pot/step';

/** A pot to be put right: as measured, how sure that is, and what it is to become. */
export type Measured = {
  readonly pot: Pot;
  readonly kitchen: Kitchen;
  /** Steps of the plan still to come after the correction; the end is judged after them. */
  readonly still: readonly Step[];
  /** Pans beside the pot, by name, what is under way in them done; absent of a soup made in one. */
  readonly beside?: Readonly<Record<string, Pot>> | undefined;
  /** mPa·s wanted in the bowl, and mL owed to the pass. */
  readonly target: number;
  readonly owedMl: number;
  /** Standard deviations of ln thickening and ln volume as measured. */
  readonly doubt: { readonly thickness: number; readonly water: number };
  /** Allergens the pot holds already, and the ingredients. */
  readonly holds: readonly Allergen[];
  readonly contains: readonly string[];
};

/** The last reading of each kind that bears on a correction, ms; null when there is none. */
export type Ages = {
  readonly flow: number | null;
  /** What was done since that flow test and made another soup of it: it no longer speaks of this one. Null where nothing was. */
  readonly since: string | null;
  readonly level: number | null;
  readonly heat: number | null;
};

/** Two readings that cannot both be right: what each says the pot holds, mL. */
export type Contradiction = {
  readonly level: { readonly says: Message; readonly ml: number };
  readonly scale: { readonly says: Message; readonly ml: number };
};

/** Readings further apart than this share speak of two different pots. Our assumption. */
const APART = 0.15;

/** Readings this close in time, ms, speak of the same moment. */
const TOGETHER = 10 * 60_000;

const LEVELS: ReadonlySet<EventBody['kind']> = new Set(['depth', 'volume', 'mass']);

/** Steps after which a soup is no longer as thick as it was tested. */
const CHANGES: ReadonlySet<Step['kind']> = new Set([
  'add',
  'dust',
  'puree',
  'reduce',
  'roux',
  'strain',
  'temper',
  'thicken',
]);

/** When each kind of reading was last made, and what a flow test no longer speaks of. */
export function agesOf({ state: { events, steps } }: Followed): Ages {
  const last = (is: (kind: EventBody['kind']) => boolean): number | null => {
    const found = events.findLast((e) => is(e.body.kind));
    return found ? Date.parse(found.at) : null;
  };
  const flow = last((k) => k === 'flow');
  const changed = steps.findLast(
    (s) => s.done && s.does && CHANGES.has(s.does.kind) && flow !== null && Date.parse(s.done.at) > flow,
  );
  const put = events.findLast((e) => e.body.kind === 'put-in' && flow !== null && Date.parse(e.at) > flow);
  return {
    flow,
    since: changed?.title ?? (put?.body.kind === 'put-in' ? ingredient(put.body.ingredient).name : null),
    level: last((k) => LEVELS.has(k)),
    heat: last((k) => k === 'temperature'),
  };
}

/** The last ruler or litre mark against the last weight, when they are of the same moment and cannot both be. */
export function contradictionIn(f: Followed): Contradiction | null {
  const { events } = f.state;
  const level = events.findLast((e) => e.body.kind === 'depth' || e.body.kind === 'volume');
  const scale = events.findLast((e) => e.body.kind === 'mass');
  if (!level || scale?.body.kind !== 'mass') return null;
  if (Math.abs(Date.parse(level.at) - Date.parse(scale.at)) > TOGETHER) return null;
  const [first] = f.variants;
  if (!first) return null;
  const { body } = level;
  const byLevel =
    body.kind === 'depth' ? volumeAt(f.cooked.vessel, body.mm) : body.kind === 'volume' ? body.ml : 0;
  const byScale = scale.body.g * (volumeMl(first.pot) / Math.max(1, massG(first.pot)));
  if (Math.abs(Math.log(byLevel / byScale)) < APART) return null;
  return {
    level: {
      says:
        body.kind === 'depth'
          ? message('{mm} cm deep', { mm: (body.mm / 10).toFixed(1) })
          : message('{volume}', { volume: { ml: byLevel } }),
      ml: byLevel,
    },
    scale: { says: message('{g}', { g: { kg: scale.body.g / 1000 } }), ml: byScale },
  };
}

/** The pot of a followed batch at `now` (ms) as it is to be put right. */
export function measuredFrom(f: Followed, now: number, litres: number): Measured {
  const [first] = f.variants;
  if (!first) throw new RangeError('a batch is followed by at least one pot');
  const variant = move(first, Math.max(0, (now - f.startedAt) / 1000));
  const { pot, kitchen, left } = variant;
  const names = Object.keys(variant.beside);
  // What is at hand in a pan beside it is done there; a pouring at hand is still to come.
  const here = f.state.steps[f.state.current]?.does;
  const pours = here?.kind === 'pour' ? [here] : [];
  // What the factors leave open together with what no factor explains.
  const slopes = slopesOf(f);
  const doubt = (aspect: 'thickness' | 'water'): number =>
    Math.max(0.01, Math.sqrt(Math.max(0, varianceAlong(f.belief, slopes[aspect]))));
  const put = [
    ...new Set(
      f.state.steps
        .slice(0, f.state.current + 1)
        .flatMap((s) => (s.does ? portionsIn<Portion>(s.does) : []))
        .filter((p) => p.amount > 0)
        .map((p) => p.ingredient),
    ),
  ];
  return {
    pot,
    kitchen,
    still: [
      ...(left && left.kind !== 'pour' ? [left] : []),
      ...pours,
      ...toCome(f).flatMap((s) => (s.does ? [s.does] : [])),
    ],
    ...(names.length > 0 && {
      beside: Object.fromEntries(names.map((n) => [n, stepDone(variant, n, 'unpoured').pot])),
    }),
    target: f.cooked.target,
    owedMl: litres * 1000,
    doubt: { thickness: doubt('thickness'), water: doubt('water') },
    holds: [...new Set(put.flatMap((id) => foodIn(kitchen, id).allergens))],
    contains: put,
  };
}
