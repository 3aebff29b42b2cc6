import { createHash } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** The clone, and the folder that holds what this clone alone owns: in it, unless PANACHE_HOME names another. */
export const root = join(import.meta.dirname, '..');
export const own = process.env.PANACHE_HOME ?? join(root, '.panache');
mkdirSync(own, { recursive: true });

/** Short and different for every clone. */
export const cloneId = createHash('sha256')
  .update(root + (process.env.PANACHE_HOME ?? ''))
  .digest('hex')
  .slice(0, 12);

export const bin = (name) => join(root, 'node_modules', '.bin', name);

/** A file as whoever called names it: from where they stand, not from where the program is. */
export const fromCaller = (file) => resolve(process.env.PANACHE_CALLED_FROM ?? process.cwd(), file);
