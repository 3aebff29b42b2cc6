import { useMemo, useState } from 'react';
import type { Finished, Held } from '../../core/compare/beside/finished';
import { usualShare } from '../../core/order/amended';
import type { TimedOrder } from '../../core/order/order';
import { AS_WRITTEN, WAYS } from '../../core/order/ways';
import type { Shelf } from '../order/stores';
import { useOneByOne } from '../order/useOneByOne';
import { useShelf } from '../order/useShelf';

/** The recipe’s own way and the others. */
export const HOW_MANY = WAYS.length + 1;

/** Finishes set beside the one it was opened with: asked for while they are looked at, and a tap on one does not ask anew. */
function useFinishes(
  question: ReturnType<typeof useQuestion>['question'],
  opened: TimedOrder,
  { side, shown, held }: { readonly side: Side; readonly shown: Shown; readonly held: Held },
) {
  const asOpened = useMemo(
    () => ({ finish: opened.finish, rich: opened.rich, finishMl: opened.finishMl }),
    [opened],
  );
  const finishing = useMemo(
    () =>
      question && side === 'finish'
        ? { ...question, order: { ...question.order, ...asOpened }, held, curved: shown === 'curves' }
        : null,
    [question, side, held, shown, asOpened],
  );
  const order = finishing?.order;
  return useOneByOne('finish', JSON.stringify([order, held, shown]), finishing);
}

/** What is compared: the order, the part of the thickening each way does, and the pot it is done in. */
function useQuestion({ house, recipes }: Shelf, order: TimedOrder) {
  const recipe = recipes.find((r) => r.id === order.recipeId) ?? recipes[0];
  const vessel = house.vessels.find((v) => v.id === order.vesselId) ?? house.vessels[0];
  const burner = house.burners.find((b) => b.id === order.burnerId) ?? house.burners[0];
  const [share, setShare] = useState(order.share ?? (recipe ? usualShare(recipe) : 1));
  const question = useMemo(
    () =>
      recipe && vessel && burner
        ? { recipe, order: { ...order, share }, setup: { vessel, burner, kitchen: house.kitchen } }
        : null,
    [order, share, recipe, vessel, burner, house.kitchen],
  );
  return { question, share, setShare };
}

export type Side = 'thicken' | 'finish';
export type Shown = 'table' | 'curves';

/** An order as it is compared: every way to thicken it, or to finish it, one after the other, and the one that is picked. */
export function useComparing(opened: Shelf, first: TimedOrder) {
  const { stores, choose, refused } = useShelf(opened);
  const [order, setOrder] = useState(first);
  const { question, share, setShare } = useQuestion(stores, order);
  const [shown, setShown] = useState<Shown>('table');
  const [side, setSide] = useState<Side>('thicken');
  const [held, setHeld] = useState<Held>('richness');
  const [picked, setPicked] = useState(order.way ?? AS_WRITTEN.id);
  const finishes = useFinishes(question, first, { side, shown, held });
  const { all } = useOneByOne(
    'compare',
    JSON.stringify([order, share]),
    side === 'thicken' ? question : null,
  );
  const isOwn = picked === AS_WRITTEN.id;
  const into: TimedOrder = {
    ...order,
    way: isOwn ? undefined : picked,
    share: isOwn ? undefined : share,
  };
  return {
    stores,
    refused,
    order,
    question,
    share,
    setShare,
    shown,
    setShown,
    side,
    setSide,
    held,
    setHeld,
    picked,
    setPicked,
    all,
    /** The way that is picked, as it came out; and the recipe’s own. */
    one: all.find((c) => c.way.id === picked) ?? all[0],
    own: all.find((c) => c.way.id === AS_WRITTEN.id),
    finishes,
    finish: finishes.all.find((f) => f.finish.id === order.finish),
    pickFinish: ({ change }: Finished) =>
      setOrder((o) => ({ ...o, rich: undefined, finishMl: undefined, ...change })),
    chooseSoup: (recipeId: string) =>
      choose(recipeId, (next) => {
        setPicked(AS_WRITTEN.id);
        setShare(usualShare(next));
        setOrder((w) => ({ ...w, recipeId, rule: undefined, colour: undefined }));
      }),
    /** The order with what is picked, as it goes into the plan. */
    into,
  };
}
export type Comparing = ReturnType<typeof useComparing>;
