/** How a garnish comes to the soup. */
type GarnishGoes =
  /** Warmed through or cooked in the finished pot, off the heat. */
  | 'stirred in'
  /** On the bowl, at the pass. */
  | 'on top'
  /** On the bowl, and dry until then: in the pot it would be soft before it is served. */
  | 'crisp';

/** What is held back from the pot and served on or in the soup. Weights and ways are common practice, no source. */
export type Garnish = {
  /** The ingredient’s id. */
  readonly id: string;
  /** g as served, a portion of {@link USUAL_LADLE}. */
  readonly g: number;
  readonly goes: GarnishGoes;
  /** °C it is at when it goes in or on. */
  readonly celsius: number;
  /** Share of its raw weight that is served: what frying or rendering leaves. */
  readonly leaves: number;
};

export const GARNISHES: readonly Garnish[] = [
  { id: 'button-mushroom', g: 15, goes: 'stirred in', celsius: 60, leaves: 0.65 },
  { id: 'large-shrimp', g: 36, goes: 'stirred in', celsius: 4, leaves: 0.9 },
  { id: 'small-shrimp', g: 20, goes: 'stirred in', celsius: 4, leaves: 0.9 },
  { id: 'cockle-meat', g: 20, goes: 'stirred in', celsius: 4, leaves: 1 },
  { id: 'sweetcorn', g: 20, goes: 'stirred in', celsius: 4, leaves: 1 },
  { id: 'streaky-bacon', g: 8, goes: 'crisp', celsius: 40, leaves: 0.4 },
  { id: 'croutons', g: 10, goes: 'crisp', celsius: 20, leaves: 1 },
  { id: 'mature-cheddar', g: 12, goes: 'on top', celsius: 5, leaves: 1 },
  { id: 'heavy-cream', g: 8, goes: 'on top', celsius: 5, leaves: 1 },
  { id: 'chives', g: 1, goes: 'on top', celsius: 5, leaves: 1 },
  { id: 'parsley', g: 1, goes: 'on top', celsius: 5, leaves: 1 },
  { id: 'dill', g: 0.8, goes: 'on top', celsius: 5, leaves: 1 },
];

/** mL of a portion where nobody said. */
export const USUAL_LADLE = 300;
/** Most garnishes of one soup. */
export const MOST_GARNISHES = 4;
