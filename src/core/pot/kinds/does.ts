import { does as add } from './add/does';
import { does as bringTo } from './bring-to/does';
import { does as chill } from './chill/does';
import { does as dust } from './dust/does';
import { does as hold } from './hold/does';
import { does as keep } from './keeping/does';
import type { StepKind } from './names';
import type { Does } from './outcome';
import { does as poach } from './poach/does';
import { does as pour } from './pour/does';
import { does as puree } from './puree/does';
import { does as reduce } from './reduce/does';
import { does as reheat } from './reheat/does';
import { does as render } from './render/does';
import { does as rest } from './rest/does';
import { does as roast } from './roast/does';
import { does as roux } from './roux/does';
import { does as season } from './season/does';
import { does as simmer } from './simmer/does';
import { does as strain } from './strain/does';
import { does as sweat } from './sweat/does';
import { does as temper } from './temper/does';
import { does as thicken } from './thicken/does';

/** What each kind of step does to a pot. One left out does not compile. */
export const DOES: { readonly [K in StepKind]: Does<K> } = {
  sweat,
  render,
  roux,
  dust,
  add,
  'bring-to': bringTo,
  simmer,
  reduce,
  puree,
  strain,
  thicken,
  temper,
  poach,
  season,
  rest,
  hold,
  chill,
  reheat,
  keep,
  pour,
  roast,
};
