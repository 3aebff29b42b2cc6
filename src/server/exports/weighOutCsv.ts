import { stationOf } from '../../core/compare/shopping';
import type { Plan } from '../../core/plan/types';
import { METRIC, massWords, type Show } from '../../core/units/shown/show';
import { titleOf } from '../../core/words/steps';
import { csvOf } from './csv';

/**
 * The weigh-out as CSV (RFC 4180), a line a thing, grams and mL as numbers and beside them as the kitchen weighs.
 * Text that a spreadsheet would take for a formula is made harmless.
 */
export const weighOutCsv = (plan: Plan, show: Show = METRIC): string =>
  csvOf(
    plan.weighOut.map((l, n) => ({
      order: n + 1,
      step: l.step + 1,
      does: titleOf(plan.steps[l.step]?.step ?? { kind: 'rest', minutes: 0, lid: 'off' }),
      station: stationOf(l.ingredient),
      ingredient: l.ingredient,
      name: l.name,
      g: l.g,
      mL: l.ml === null ? '' : Math.round(l.ml),
      weighed: massWords(l.g, show),
      measure: l.measure,
      as_purchased_g: l.asPurchased,
      prepared: l.prep ?? '',
      worked_out: l.solved ?? '',
    })),
  );
