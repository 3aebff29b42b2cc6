'use client';

import { useMemo } from 'react';
import { batchesOf, clockOf, type Service } from '../../core/service/service';
import type { SoupName } from '../order/stores';

/** What the batches and soups of a service are called, by key: by their recipe, and by their time where one is cooked several times. */
export function useNames(service: Service, recipes: readonly SoupName[]): (key: string) => string {
  const names = useMemo(() => {
    const found = new Map<string, string>();
    for (const { key, soup, due } of batchesOf(service)) {
      const name = recipes.find((r) => r.id === soup.order.recipeId)?.name ?? soup.order.recipeId;
      const several = soup.fresh && soup.draws.length > 1;
      found.set(key, several ? `${name}, ${clockOf(due)}` : name);
      if (key !== soup.id) found.set(soup.id, name);
    }
    return found;
  }, [service, recipes]);
  return (key) => names.get(key) ?? key;
}
