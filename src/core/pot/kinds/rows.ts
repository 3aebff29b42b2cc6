import { row as add } from './add/row';
import { row as bringTo } from './bring-to/row';
import { row as chill } from './chill/row';
import { row as dust } from './dust/row';
import { row as hold } from './hold/row';
import { row as keep } from './keeping/row';
import type { StepKind } from './names';
import { row as poach } from './poach/row';
import { row as pour } from './pour/row';
import { row as puree } from './puree/row';
import { row as reduce } from './reduce/row';
import { row as reheat } from './reheat/row';
import { row as render } from './render/row';
import { row as rest } from './rest/row';
import { row as roast } from './roast/row';
import { row as roux } from './roux/row';
import type { StepRow } from './row';
import { row as season } from './season/row';
import { row as simmer } from './simmer/row';
import { row as strain } from './strain/row';
import { row as sweat } from './sweat/row';
import { row as temper } from './temper/row';
import { row as thicken } from './thicken/row';

/** Every kind of step. One left out does not compile. */
export const ROWS: { readonly [K in StepKind]: StepRow<K> } = {
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
