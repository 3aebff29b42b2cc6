import type { Service, Tool } from '../service';

/** The smallest thing of its kind that makes a service possible. */
export type Relief =
  /** The kitchen opens so many minutes sooner. */
  | { readonly kind: 'sooner'; readonly minutes: number; readonly service: Service }
  /** Everything, or one soup, on the pass so many minutes later. */
  | {
      readonly kind: 'later';
      readonly minutes: number;
      readonly soup: string | null;
      readonly service: Service;
    }
  | { readonly kind: 'less'; readonly soup: string; readonly litres: number; readonly service: Service }
  | { readonly kind: 'fresh'; readonly soup: string; readonly service: Service }
  | { readonly kind: 'hand'; readonly service: Service }
  | { readonly kind: 'tool'; readonly tool: Tool; readonly service: Service }
  /** Not to be had at a tap: one more like it in the kitchen. */
  | { readonly kind: 'pot' | 'burner'; readonly like: string; readonly service: null }
  | { readonly kind: 'without'; readonly soup: string; readonly service: Service };

/** How much each asks of a kitchen: what is borrowed before what is served otherwise, and no soup at all last. */
const ASKS: { readonly [K in Relief['kind']]: number } = {
  fresh: 0,
  hand: 10,
  tool: 10,
  pot: 20,
  burner: 25,
  sooner: 30,
  less: 40,
  later: 50,
  without: 1000,
};

const asks = (r: Relief): number =>
  ASKS[r.kind] + ('minutes' in r ? r.minutes : r.kind === 'less' ? r.litres * 5 : 0);

/** What would make a service possible, what asks least of the kitchen first. */
export const leastFirst = (all: readonly Relief[]): readonly Relief[] =>
  all.toSorted((a, b) => asks(a) - asks(b));
