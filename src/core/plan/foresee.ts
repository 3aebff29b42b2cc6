import { middleOf } from '../flow/bands';
import type { House } from '../kitchen/house';
import type { Message } from '../message/message';
import { observe } from '../pot/observe';
import { Recipe } from '../recipe/recipe';
import { issueWords, valueAt } from '../words/issueWords';
import { titleAsMessage } from '../words/steps';
import { planFor } from './plan';
import type { WarningKind } from './types';
import { warningLine } from './warningWords';

/** A step and the pot after it. */
type Foreseen = {
  readonly title: Message;
  readonly seconds: number;
  readonly celsius: number;
  readonly volumeMl: number;
  readonly viscosity: number;
};

export type Foresight =
  | {
      readonly ok: true;
      readonly steps: readonly Foreseen[];
      readonly viscosity: number;
      readonly band: string;
      readonly volumeMl: number;
      readonly saltPercent: number;
      readonly fatFraction: number;
      readonly seconds: number;
      /** What the plan worked out, as weighed in the recipe's own pot. */
      readonly doses: readonly { readonly name: string; readonly g: number }[];
      readonly warnings: readonly {
        readonly id: string;
        readonly kind: WarningKind;
        readonly says: Message;
        readonly grave: boolean;
      }[];
    }
  | {
      readonly ok: false;
      readonly problems: readonly { readonly path: string; readonly says: Message }[];
    };

/** What a recipe as it stands in the editor would come to in its own pot, or all that is wrong with it. */
export function foresee(body: unknown, house: House): Foresight {
  const read = Recipe.safeParse(body);
  if (!read.success) {
    return {
      ok: false,
      problems: read.error.issues.map((i) => ({
        path: i.path.join('.'),
        says: issueWords(i, valueAt(body, i.path)),
      })),
    };
  }
  const recipe = read.data;
  const setup = { ...recipe.home, kitchen: house.kitchen };
  const target = middleOf(recipe.band, house.kitchen.bandLimits);
  const plan = planFor(recipe, { litres: recipe.yieldLitres, target }, setup, undefined, {
    asWritten: true,
  });
  return {
    ok: true,
    steps: plan.solved.run.ran.map((r) => {
      const o = observe(r.pot, house.kitchen);
      return {
        title: titleAsMessage(r.step, r.before.celsius),
        seconds: r.pot.seconds - r.before.seconds,
        celsius: o.celsius,
        volumeMl: o.volumeMl,
        viscosity: o.bowlViscosity,
      };
    }),
    viscosity: plan.found.bowlViscosity,
    band: plan.found.band,
    volumeMl: plan.found.volumeMl,
    saltPercent: plan.found.saltPercent,
    fatFraction: plan.found.fatFraction,
    seconds: plan.seconds,
    doses: plan.weighOut
      .filter((l) => l.solved === 'thickness' || l.solved === 'volume')
      .map(({ name, g }) => ({ name, g })),
    warnings: plan.warnings.map((w) => ({
      id: w.id,
      kind: w.kind,
      says: warningLine(w),
      grave: w.severity !== 'caution',
    })),
  };
}
