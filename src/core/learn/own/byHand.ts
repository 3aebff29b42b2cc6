/** What somebody did about what was learned: set a number, freed it, had it forgotten; left a batch out, counted it again. */
export type HandAct =
  | { readonly kind: 'fix'; readonly key: string; readonly factor: number }
  | { readonly kind: 'free' | 'forget'; readonly key: string }
  | { readonly kind: 'leave out' | 'count again'; readonly batch: string };

/** What somebody set by hand, as factors, and since when readings of a number count no longer, ISO. */
export type ByHand = {
  readonly fixed: Readonly<Record<string, number>>;
  readonly forgotten: Readonly<Record<string, string>>;
};

export const NOTHING_BY_HAND: ByHand = { fixed: {}, forgotten: {} };

const without = <T>(all: Readonly<Record<string, T>>, key: string): Record<string, T> =>
  Object.fromEntries(Object.entries(all).filter(([k]) => k !== key));

/** What stands by hand after an act at `at`, ISO; batches are not of it. */
export function afterAct({ fixed, forgotten }: ByHand, act: HandAct, at: string): ByHand {
  switch (act.kind) {
    case 'fix':
      return { fixed: { ...fixed, [act.key]: act.factor }, forgotten };
    case 'free':
      return { fixed: without(fixed, act.key), forgotten };
    case 'forget':
      return { fixed: without(fixed, act.key), forgotten: { ...forgotten, [act.key]: at } };
    default:
      return { fixed, forgotten };
  }
}
