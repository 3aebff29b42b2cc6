import type { Gently } from '../order/gently';
import { mPas, spaced } from '../units/format';
import { degrees, METRIC, type Show, volumeWords } from '../units/show';
import type { Remedy } from './remedies';

const SPARED: Readonly<Record<Gently, string>> = {
  warm: 'Warm the dairy first',
  last: 'Put the dairy in last, under the simmer',
  richer: 'Take cream of 35 % instead',
};

/** A remedy as it stands on its button in this kitchen. */
export function remedyWords(r: Remedy, show: Show = METRIC): string {
  switch (r.kind) {
    case 'take':
      return `Take ${r.vessel} (${volumeWords(r.rimMl, show)})`;
    case 'use':
      return `Use ${r.burner}`;
    case 'make':
      return `Make ${volumeWords(r.ml, show)}`;
    case 'aim':
      return `Aim for ${mPas(r.target)} mPa·s`;
    case 'hot stock':
      return `Start from hot stock, ${degrees(r.celsius, show)}`;
    case 'dairy':
      return SPARED[r.how];
    case 'butter':
      return `Add ${spaced(r.grams)} g butter before the flour`;
    case 'three to two':
      return 'Three flour to two fat';
    case 'simmer':
      return `Simmer ${r.minutes} min more`;
  }
}
