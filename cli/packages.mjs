import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { own, root } from './place.mjs';
import { must } from './run.mjs';
import { Complaint, say } from './say.mjs';

/** npm packages as package-lock.json has them; nothing is done when they are there already. */
export async function npmPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const mark = join(root, 'node_modules', '.panache-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('installing npm packages …');
  await must('installing npm packages', 'npm', ['ci'], { cwd: root });
  writeFileSync(mark, lock);
}

const have = (paths) => paths.some((p) => existsSync(p));

/** Installs Debian packages when none of the files that show they are there exists. */
export async function debianPackage(name, shownBy) {
  if (have(shownBy)) return;
  const byHand = `apt-get install ${name}`;
  if (!existsSync('/usr/bin/apt-get'))
    throw new Complaint(`${name} is missing and this is not Debian: install it, then run this again.`);
  if (process.getuid?.() !== 0)
    throw new Complaint(`${name} is missing: run “sudo ${byHand}”, then this again.`);
  say(`installing Debian’s ${name} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const args = ['install', '-y', '--no-install-recommends', name];
  const first = await must('', 'apt-get', args, { env }).catch(() => null);
  if (first === null) {
    await must('reading Debian’s package lists', 'apt-get', ['update'], { env });
    await must(`installing ${name}`, 'apt-get', args, { env });
  }
}

/**
 * A program of Debian’s that is only tried with, laid out beside the clone and not installed: no service of the machine begins by it.
 * Returns where it is; the machine’s own where it has one.
 */
export async function debianProgram(name, path) {
  if (existsSync(path)) return path;
  const folder = join(own, 'debian', name);
  const program = join(folder, path);
  if (existsSync(program)) return program;
  if (!existsSync('/usr/bin/apt-get'))
    throw new Complaint(`${name} is missing and this is not Debian: install it, then run this again.`);
  say(`fetching Debian’s ${name} …`);
  mkdirSync(folder, { recursive: true });
  const fetch = () => must(`fetching ${name}`, 'apt-get', ['download', name], { cwd: folder });
  await fetch().catch(async () => {
    await must('reading Debian’s package lists', 'apt-get', ['update']);
    await fetch();
  });
  const [deb] = readdirSync(folder).filter((f) => f.endsWith('.deb'));
  await must(`laying out ${name}`, 'dpkg-deb', ['-x', join(folder, deb), folder]);
  rmSync(join(folder, deb));
  return program;
}
