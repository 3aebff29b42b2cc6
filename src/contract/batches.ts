import * as z from 'zod';
import { issue } from '../core/message/told';
import { Order } from '../core/order/order';
import { momentOf } from '../core/units/moment';

/** An order to be cooked now. */
export const StartRequest = Order.extend({
  id: z.uuid({ error: issue('id is a UUID made by the station') }),
  startedAt: momentOf('startedAt'),
  serveAt: momentOf('serveAt').nullish(),
  /** Start although another live batch stands in that pot: the cook was asked. */
  anyway: z.boolean({ error: issue('anyway is true or false') }).optional(),
});
export type StartRequest = z.infer<typeof StartRequest>;

/** A batch that stands; not new where it was asked for twice. */
export type StartedBatch = { readonly id: string; readonly isNew: boolean };
