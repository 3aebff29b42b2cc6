import { creamCheese } from './other/creamCheese';
import { hardCheese } from './other/hardCheese';
import { potatoDice } from './other/potatoDice';
import { puree } from './other/puree';
import { sourCream } from './other/sourCream';
import { yolk } from './other/yolk';
import type { ThickenerRow } from './row';
import { arrowroot } from './starch/arrowroot';
import { glutinousRice } from './starch/glutinousRice';
import { maize } from './starch/maize';
import { potatoFlakes } from './starch/potatoFlakes';
import { potatoStarch } from './starch/potatoStarch';
import { riceFlour } from './starch/riceFlour';
import { tapioca } from './starch/tapioca';
import { waxyMaize } from './starch/waxyMaize';
import { wheat } from './starch/wheat';

/** Every kind of thickener, in the order a cook would think of them. One that a food names and that is left out here does not compile. */
export const THICKENERS = {
  wheat,
  'rice flour': riceFlour,
  'glutinous rice': glutinousRice,
  maize,
  'waxy maize': waxyMaize,
  tapioca,
  arrowroot,
  'potato starch': potatoStarch,
  'potato flakes': potatoFlakes,
  yolk,
  'cream cheese': creamCheese,
  'hard cheese': hardCheese,
  'sour cream': sourCream,
  'potato dice': potatoDice,
  puree,
} satisfies Record<string, ThickenerRow>;

/** Where thickening in a pot comes from. */
export type ThickenerKind = keyof typeof THICKENERS;

export const THICKENER_KINDS = Object.keys(THICKENERS) as readonly ThickenerKind[];

/** Whether it thins where it is boiled long or blended after: a third of it or more is lost to twenty minutes. */
export const thinsAgain = (kind: ThickenerKind): boolean => THICKENERS[kind].boilLoss > 0.3;
