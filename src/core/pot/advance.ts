import { putAllIn, volumeMl } from './contents';
import { boilsAt, type Cooked, cook, hardest, heatTo, type Sample, sampleOf, simmersAt } from './cook';
import type { Kitchen } from './kitchen';
import type { Pot } from './pot';
import type { Step } from './step';
import { dust, roux } from './steps/flour';
import { chill, hold, poach, reheat, rest } from './steps/keep';
import { puree } from './steps/puree';
import { reduce } from './steps/reduce';
import { render } from './steps/render';
import { strain } from './steps/strain';
import { sweat } from './steps/sweat';
import { temper, yolkState } from './steps/temper';
import { thicken } from './steps/thicken';

/** Something the cook should know about how a step went. */
export type Note =
  | { readonly kind: 'stalled'; readonly celsius: number; readonly wanted: number }
  | { readonly kind: 'never-tender' }
  | { readonly kind: 'scrambled'; readonly limit: number; readonly reached: number }
  | { readonly kind: 'cannot-chill'; readonly to: number };

/** A pot after a step, what it went through on the way, and what there is to say about it. */
export type Advanced = {
  readonly pot: Pot;
  readonly trace: readonly Sample[];
  readonly notes: readonly Note[];
};

/** Seconds to weigh into the pot and stir: a fixed part and a part for each litre going in. Common practice, no source. */
const ADD_SECONDS = 30;
const ADD_SECONDS_PER_KG = 10;
const GRADUALLY = 2;

const done = (pot: Pot, _kitchen: Kitchen): Advanced => ({ pot, trace: [sampleOf(pot)], notes: [] });

const cooked = ({ pot, trace, stalled }: Cooked, wanted: number): Advanced => ({
  pot,
  trace,
  notes: stalled ? [{ kind: 'stalled', celsius: pot.celsius, wanted }] : [],
});

/** Adds what heat has done to yolk: once scrambled it no longer thickens, and stays so. */
function guarded(advanced: Advanced, kitchen: Kitchen): Advanced {
  const { pot } = advanced;
  if (pot.yolkPeak === 0 || !pot.thickeners.some((t) => t.kind === 'yolk' && t.strength > 0)) return advanced;
  const { limit, scrambled } = yolkState(pot, kitchen);
  if (!scrambled) return advanced;
  const thickeners = pot.thickeners.map((t) => (t.kind === 'yolk' ? { ...t, strength: 0 } : t));
  const note: Note = { kind: 'scrambled', limit, reached: pot.yolkPeak };
  return { ...advanced, pot: { ...pot, thickeners }, notes: [...advanced.notes, note] };
}

function bringTo(pot: Pot, step: Extract<Step, { kind: 'bring-to' }>, kitchen: Kitchen): Advanced {
  const wanted =
    step.to === 'simmer'
      ? simmersAt(kitchen)
      : step.to === 'boil'
        ? boilsAt(kitchen)
        : Math.min(step.to, boilsAt(kitchen));
  return cooked(heatTo(pot, wanted, step, kitchen), wanted);
}

/** Back to the simmer first, then the minutes asked for at it, then longer while anything is hard. */
function simmer(pot: Pot, step: Extract<Step, { kind: 'simmer' }>, kitchen: Kitchen): Advanced {
  const wanted = simmersAt(kitchen);
  const fire = { flame: step.flame ?? 1, lid: step.lid };
  const recovered = cooked(heatTo(pot, wanted, fire, kitchen), wanted);
  const held = { ...fire, hold: wanted };
  const timed = cook(recovered.pot, held, kitchen, { forSeconds: step.minutes * 60 });
  const trace = [...recovered.trace, ...timed.trace];
  if (!step.untilTender || hardest(timed.pot) >= 1) return { pot: timed.pot, trace, notes: recovered.notes };
  const softer = cook(timed.pot, held, kitchen, { progress: (p) => hardest(p) - 1 });
  return {
    pot: softer.pot,
    trace: [...trace, ...softer.trace],
    notes: softer.stalled ? [...recovered.notes, { kind: 'never-tender' }] : recovered.notes,
  };
}

/**
 * The pot after the cook does `step`. Total: whatever the pot, a valid step gives a pot.
 * Pure: the same arguments always give the same answer.
 */
export function advance(pot: Pot, step: Step, kitchen: Kitchen): Advanced {
  switch (step.kind) {
    case 'sweat':
      return done(sweat(pot, step, kitchen), kitchen);
    case 'roux':
      return done(roux(pot, step, kitchen), kitchen);
    case 'dust':
      return done(dust(pot, step, kitchen), kitchen);
    case 'add': {
      const kg = step.items.reduce((sum, i) => sum + i.amount, 0) / 1000;
      const seconds = (ADD_SECONDS + ADD_SECONDS_PER_KG * kg) * (step.gradually ? GRADUALLY : 1);
      const filled = putAllIn(pot, step.items, kitchen);
      return done({ ...filled, seconds: pot.seconds + seconds, lid: step.lid ?? pot.lid }, kitchen);
    }
    case 'bring-to':
      return guarded(bringTo(pot, step, kitchen), kitchen);
    case 'simmer':
      return guarded(simmer(pot, step, kitchen), kitchen);
    case 'puree':
      return done(puree(pot, step, kitchen, volumeMl(pot)), kitchen);
    case 'render':
      return done(render(pot, step, kitchen), kitchen);
    case 'strain':
      return done(strain(pot, step), kitchen);
    case 'reduce':
      return guarded(cooked(reduce(pot, step, kitchen), boilsAt(kitchen)), kitchen);
    case 'thicken':
      return guarded(cooked(thicken(pot, step, kitchen), simmersAt(kitchen)), kitchen);
    case 'temper':
      return guarded(cooked(temper(pot, step, kitchen), step.to), kitchen);
    case 'poach':
      return guarded(cooked(poach(pot, step, kitchen), step.at), kitchen);
    case 'rest':
      return cooked(rest(pot, step, kitchen), 0);
    case 'hold':
      return guarded(cooked(hold(pot, step, kitchen), step.at), kitchen);
    case 'reheat':
      return guarded(cooked(reheat(pot, step, kitchen), step.to), kitchen);
    case 'chill': {
      const chilled = chill(pot, step);
      const notes: Note[] = chilled.stalled ? [{ kind: 'cannot-chill', to: step.to }] : [];
      return { pot: chilled.pot, trace: [sampleOf(chilled.pot)], notes };
    }
    case 'season':
      return done({ ...putAllIn(pot, step.items, kitchen), seconds: pot.seconds + ADD_SECONDS }, kitchen);
  }
}
