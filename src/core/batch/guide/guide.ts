import { advance } from '../../pot/advance';
import { massG, putAllIn, volumeMl } from '../../pot/contents/contents';
import { DONE_CELSIUS } from '../../pot/cook';
import { foodIn, type Kitchen } from '../../pot/kitchen';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import { strain } from '../../pot/steps/strain';
import { temperingOf, yolkState } from '../../pot/steps/temper';
import { saltBalance } from '../../salt/salt';
import { ROUX_COLOURS, ROUX_STRENGTH, type RouxColour } from '../../thicken/granules';
import { CUTS } from '../../thicken/puree';

/** Jugs a kitchen has, mL. */
export const JUGS = [1000, 1500, 2000, 3000] as const;

/** What helps the hand in a step: worked out for the pot as it stands. */
export type Guide =
  | {
      readonly kind: 'roux';
      readonly wanted: RouxColour;
      /** Share of the flour's strength each colour keeps, and minutes in the fat to it. */
      readonly colours: readonly {
        readonly colour: RouxColour;
        readonly keeps: number;
        readonly minutes: string;
      }[];
    }
  /** Liquid into roux: mL of each pour. */
  | { readonly kind: 'pours'; readonly ml: readonly number[] }
  | { readonly kind: 'blend'; readonly ml: number; readonly jug: boolean; readonly celsius: number }
  | { readonly kind: 'strain'; readonly ml: number; readonly solidsG: number }
  | {
      readonly kind: 'temper';
      readonly ladleMl: number;
      readonly startsAt: number;
      /** °C of the bowl after each ladle. */
      readonly ladles: readonly number[];
      readonly warmTo: number;
      /** °C of the pot once it is back, where to take it, and where it is never to be. */
      readonly back: number;
      readonly to: number;
      readonly never: number | null;
      /** °C of the pot now: over `never` when the liaison goes in it scrambles there. */
      readonly pot: number;
    }
  | {
      readonly kind: 'seafood';
      readonly from: number;
      readonly dropsTo: number;
      readonly at: number;
      readonly seconds: number;
      readonly centre: number;
    }
  | {
      readonly kind: 'salt';
      readonly percent: number;
      readonly wanted: number;
      readonly toAdd: number;
      readonly unsaltedLiquid: number;
    };

/** Minutes in the fat to each colour of roux. Common practice, no source. */
const MINUTES: Readonly<Record<RouxColour, string>> = {
  white: '1–2',
  blond: '3–5',
  brown: '8–15',
  dark: '20–40',
};

/** Each pour is as much as went in before it and a little more: the paste loosens without lumping. Common practice, no source. */
const POURS = [1, 2, 4, 8] as const;
const ALL_POURS = 15;

/** Liquid, mL, to be whisked into a roux, in four pours, each about twice the one before. */
export const pours = (ml: number): readonly number[] =>
  POURS.map((p) => Math.round((ml * p) / ALL_POURS / (ml > 3000 ? 100 : 10)) * (ml > 3000 ? 100 : 10)).map(
    (p, n, all) => (n === 3 ? ml - (all[0] ?? 0) - (all[1] ?? 0) - (all[2] ?? 0) : p),
  );

/** The guide of `step` for `pot` as it stands before it; null where nothing helps but the words. */
export function guideFor(step: Step, pot: Pot, kitchen: Kitchen): Guide | null {
  switch (step.kind) {
    case 'roux':
      return {
        kind: 'roux',
        wanted: step.colour,
        colours: ROUX_COLOURS.map((colour) => ({
          colour,
          keeps: ROUX_STRENGTH[colour],
          minutes: MINUTES[colour],
        })),
      };
    case 'add': {
      if (!step.gradually) return null;
      const ml = volumeMl(putAllIn(pot, step.items, kitchen)) - volumeMl(pot);
      return ml < 200 ? null : { kind: 'pours', ml: pours(ml) };
    }
    case 'puree': {
      if (CUTS[step.tool] === 0) return null;
      const ml = volumeMl(pot) * step.fraction;
      return { kind: 'blend', ml, jug: step.tool === 'jug blender', celsius: pot.celsius };
    }
    case 'strain': {
      const after = strain(pot, step);
      const solidsG =
        pot.pieces.reduce((sum, p) => sum + p.g, 0) - after.pieces.reduce((sum, p) => sum + p.g, 0);
      return { kind: 'strain', ml: volumeMl(after), solidsG };
    }
    case 'temper': {
      if (volumeMl(pot) < 200) return null;
      const plan = temperingOf(pot, step, kitchen);
      const yolk = step.items.some((i) => foodIn(kitchen, i.ingredient).thickener === 'yolk');
      return {
        kind: 'temper',
        ladleMl: plan.ladleMl,
        startsAt: plan.startsAt,
        ladles: plan.ladles.map((l) => l.celsius),
        warmTo: step.warmTo,
        back: plan.back,
        to: step.to,
        never: yolk ? yolkState(pot, kitchen).limit : null,
        pot: pot.celsius,
      };
    }
    case 'poach': {
      const seafood = step.items.some((i) => foodIn(kitchen, i.ingredient).group === 'seafood');
      if (!seafood) return null;
      const cold = putAllIn(pot, step.items, kitchen);
      const done = advance(pot, step, kitchen);
      return {
        kind: 'seafood',
        from: pot.celsius,
        dropsTo: cold.celsius,
        at: step.at,
        seconds: done.pot.seconds - pot.seconds,
        centre: DONE_CELSIUS,
      };
    }
    case 'season': {
      const mass = massG(pot);
      if (mass < 50) return null;
      const { percent, toAdd, unsaltedLiquid } = saltBalance(mass, pot.sodium, kitchen.saltPercent);
      return { kind: 'salt', percent, wanted: kitchen.saltPercent, toAdd, unsaltedLiquid };
    }
    default:
      return null;
  }
}
