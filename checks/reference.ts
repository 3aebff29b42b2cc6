import { createRequire } from 'node:module';
import { join } from 'node:path';

/** A reference library from the registry, whose own types are missing or do not pass strict checking. */
export const reference = <T>(name: string): T =>
  createRequire(join(process.cwd(), 'package.json'))(name) as T;
