import type { ThickenerKind } from '../food/ingredient';

/** How a thickener behaves in words a cook chooses by. Common practice, no source, unless said. */
export type Properties = {
  readonly clarity: 'clear' | 'half clear' | 'opaque';
  readonly gloss: 'high' | 'some' | 'none';
  /** Kept hot for an hour or two. */
  readonly holding: 'good' | 'fair' | 'poor';
  readonly freezing: 'good' | 'fair' | 'poor';
  /** Against acid under pH 4.5. */
  readonly acid: 'good' | 'fair' | 'poor';
  /** Against a blender after it has thickened. */
  readonly shear: 'good' | 'fair' | 'poor';
  readonly taste: string;
};

export const PROPERTIES: Partial<Readonly<Record<ThickenerKind, Properties>>> = {
  wheat: {
    clarity: 'opaque',
    gloss: 'some',
    holding: 'good',
    freezing: 'poor',
    acid: 'fair',
    shear: 'good',
    taste: 'of flour until simmered 10 min, then round',
  },
  'rice flour': {
    clarity: 'opaque',
    gloss: 'none',
    holding: 'good',
    freezing: 'good',
    acid: 'good',
    shear: 'good',
    taste: 'clean, a little grainy if short',
  },
  maize: {
    clarity: 'half clear',
    gloss: 'some',
    holding: 'fair',
    freezing: 'poor',
    acid: 'fair',
    shear: 'fair',
    taste: 'clean after a minute’s boil',
  },
  'waxy maize': {
    clarity: 'clear',
    gloss: 'high',
    holding: 'fair',
    freezing: 'good',
    acid: 'fair',
    shear: 'poor',
    taste: 'clean',
  },
  tapioca: {
    clarity: 'clear',
    gloss: 'high',
    holding: 'fair',
    freezing: 'good',
    acid: 'fair',
    shear: 'poor',
    taste: 'clean, a little stringy',
  },
  arrowroot: {
    clarity: 'clear',
    gloss: 'high',
    holding: 'poor',
    freezing: 'good',
    acid: 'good',
    shear: 'poor',
    taste: 'clean, slimy with dairy',
  },
  'potato starch': {
    clarity: 'clear',
    gloss: 'high',
    holding: 'poor',
    freezing: 'poor',
    acid: 'poor',
    shear: 'poor',
    taste: 'clean',
  },
  yolk: {
    clarity: 'opaque',
    gloss: 'high',
    holding: 'poor',
    freezing: 'poor',
    acid: 'fair',
    shear: 'good',
    taste: 'rich, of egg',
  },
};
