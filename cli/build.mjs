import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { bin, root } from './place.mjs';
import { must } from './run.mjs';
import { say } from './say.mjs';

const PARTS = [
  'src',
  'cli/bundle.mjs',
  'public',
  'package.json',
  'package-lock.json',
  'next.config.mjs',
  'postcss.config.mjs',
  'tsconfig.json',
];

function fingerprint() {
  const hash = createHash('sha256');
  const add = (path) => {
    hash.update(path);
    hash.update(readFileSync(path));
  };
  for (const part of PARTS) {
    const path = join(root, part);
    if (!existsSync(path)) continue;
    if (!/\.\w+$/.test(part)) {
      // A test is in no build.
      for (const f of readdirSync(path, { recursive: true, withFileTypes: true }))
        if (f.isFile() && !/\.test\.tsx?$/.test(f.name)) add(join(f.parentPath, f.name));
    } else add(path);
  }
  return hash.digest('hex');
}

/** Builds the application, unless this very source is built already. */
export async function build() {
  const now = fingerprint();
  const mark = join(root, '.next', 'panache-built-from');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return;
  say('building …');
  await must('building', bin('next'), ['build'], {
    cwd: root,
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  await bundle();
  writeFileSync(mark, now);
}
