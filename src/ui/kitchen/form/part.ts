/** Says what is wrong at a field of the kitchen's form; ending in a dot, anywhere inside it. */
export type PartProps = { readonly problemAt: (path: string) => string | undefined };

/** A card of the kitchen's form. */
export const CARD = 'rounded-sm border-2 border-ink bg-surface p-4';
