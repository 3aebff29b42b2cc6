import type { Container, KeepBodyOf } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import type { DateMark } from '../../../core/keep/written/dates';

/** A part of something kept as what is put by on its own: dated, named and reheated as what it came out of. */
export const partOf = (
  { id, put, reheats }: LotState,
  mark: DateMark,
  to: { readonly place: string; readonly container: Container; readonly ml: number },
): KeepBodyOf<'put by'> => ({
  kind: 'put by',
  what: put.what,
  name: put.name,
  ...(put.batch && { batch: put.batch }),
  from: id,
  madeAt: put.madeAt,
  ...to,
  allergens: [...put.allergens],
  ...(mark.useBy && { useBy: mark.useBy }),
  ...(reheats > 0 && { reheated: true }),
  ...(put.costPerL !== undefined && { costPerL: put.costPerL }),
  ...(put.unpriced !== undefined && { unpriced: put.unpriced }),
});
