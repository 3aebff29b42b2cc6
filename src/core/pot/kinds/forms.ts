import { form as add } from './add/form';
import { form as bringTo } from './bring-to/form';
import { form as chill } from './chill/form';
import { form as dust } from './dust/form';
import type { StepForm } from './form';
import { form as hold } from './hold/form';
import { form as keep } from './keeping/form';
import type { StepKind } from './names';
import { form as poach } from './poach/form';
import { form as pour } from './pour/form';
import { form as puree } from './puree/form';
import { form as reduce } from './reduce/form';
import { form as reheat } from './reheat/form';
import { form as render } from './render/form';
import { form as rest } from './rest/form';
import { form as roast } from './roast/form';
import { form as roux } from './roux/form';
import { form as season } from './season/form';
import { form as simmer } from './simmer/form';
import { form as strain } from './strain/form';
import { form as sweat } from './sweat/form';
import { form as temper } from './temper/form';
import { form as thicken } from './thicken/form';

/** The short form of each kind of step. One left out does not compile. */
export const FORMS: { readonly [K in StepKind]: StepForm<K> } = {
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
