import { readRole } from '../useRole';
import { ask } from './api';

/** What has versions. */
export type Versioned = { readonly kind: 'kitchen' } | { readonly kind: 'recipe'; readonly id: string };

/** Makes an old version the newest again; nothing is rubbed out. */
export const restore = (of: Versioned, number: number) =>
  of.kind === 'kitchen'
    ? ask('POST /api/kitchen/restore', { body: { revision: number, by: readRole() } })
    : ask('POST /api/recipes/[id]/restore', { at: { id: of.id }, body: { version: number, by: readRole() } });
