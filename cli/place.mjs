import { createHash } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';

/** The clone, and the folder in it that holds what this clone alone owns. */
export const root = join(import.meta.dirname, '..');
export const own = join(root, '.panache');
mkdirSync(own, { recursive: true });

/** Short and different for every clone. */
export const cloneId = createHash('sha256').update(root).digest('hex').slice(0, 12);

export const bin = (name) => join(root, 'node_modules', '.bin', name);
