import { type Message, message } from '../message/message';
import type { Gently } from '../order/changes/gently';
import { wordsFor } from '../text/inWords';
import { mPas } from '../units/shown/format';
import { METRIC, type Show } from '../units/shown/show';
import type { Remedy } from './remedies';

const SPARED: Readonly<Record<Gently, Message>> = {
  warm: message('Warm the dairy first'),
  last: message('Put the dairy in last, under the simmer'),
  richer: message('Take cream of 35 % instead'),
};

/** A remedy as it stands on its button in this kitchen. */
export function remedyWords(r: Remedy, show: Show = METRIC): string {
  const say = wordsFor(show);
  switch (r.kind) {
    case 'take':
      return say('Take {vessel} ({rimMl})', { vessel: r.vessel, rimMl: { ml: r.rimMl } });
    case 'use':
      return say('Use {burner}', { burner: r.burner });
    case 'make':
      return say('Make {ml}', { ml: { ml: r.ml } });
    case 'aim':
      return say('Aim for {target} mPa·s', { target: mPas(r.target) });
    case 'hot stock':
      return say('Start from hot stock, {celsius}', { celsius: { celsius: r.celsius } });
    case 'dairy':
      return say(SPARED[r.how]);
    case 'butter':
      return say('Add {grams} butter before the flour', { grams: { g: r.grams } });
    case 'three to two':
      return say('Three flour to two fat');
    case 'simmer':
      return say('Simmer {minutes} min more', { minutes: r.minutes });
  }
}
