import { randomUUID } from 'node:crypto';
import { StartRequest } from '../contract/batches';
import { accept } from './refusal';

/** A start that is taken: eight litres of the demo's parsnip soup, now. For tests. */
export const startOf = (more: object = {}): StartRequest =>
  accept(StartRequest, {
    recipeId: 'smoked-parsnip-veloute',
    litres: 8,
    target: 153,
    vesselId: 'tall-steel-36',
    burnerId: 'front-left',
    id: randomUUID(),
    startedAt: new Date().toISOString(),
    ...more,
  });
