import { spawnSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const home = mkdtempSync(join(tmpdir(), 'panache-tls-'));
const file = (name: string) => join(home, 'tls', name);
afterAll(() => rmSync(home, { recursive: true, force: true }));

/** Runs what is said of `./tls.mjs`, which these tests cannot read themselves, and returns what it comes to. */
function says<T>(code: string): T {
  const { stdout, stderr } = spawnSync(
    process.execPath,
    [
      '--input-type=module',
      '-e',
      `import * as tls from './cli/tls.mjs'; console.log(JSON.stringify(await (${code})));`,
    ],
    { env: { ...process.env, PANACHE_HOME: home }, encoding: 'utf8' },
  );
  if (stderr) throw new Error(stderr);
  return JSON.parse(stdout);
}
type Made = { made: string | null; names: string[]; addresses: string[]; fingerprint: string };
const certificate = () => says<Made>('tls.certificate()');
const held = () => new X509Certificate(readFileSync(file('machine.pem')));
const verified = (): string =>
  spawnSync('openssl', ['verify', '-CAfile', file('root.pem'), file('machine.pem')], { encoding: 'utf8' })
    .stdout;

test('a certificate is made once, for each name and address, and is what its root says; nobody else reads the keys', () => {
  const first = certificate();
  expect(first.made).toBe('there is none');
  expect(verified()).toContain('machine.pem: OK');
  for (const name of first.names) expect(held().checkHost(name)).toBeTruthy();
  for (const address of first.addresses) expect(held().checkIP(address)).toBeTruthy();
  expect(first.names).toContain('localhost');
  // Browsers take no longer one: CA/Browser Forum baseline requirements, 6.3.2, 398 days.
  const days = (Date.parse(held().validTo) - Date.parse(held().validFrom)) / 86_400_000;
  expect(days).toBeLessThanOrEqual(398);
  for (const key of ['root.key', 'machine.key']) expect(statSync(file(key)).mode & 0o077).toBe(0);
  expect(first.fingerprint).toBe(new X509Certificate(readFileSync(file('root.pem'))).fingerprint256);
  expect(certificate()).toEqual({ ...first, made: null });
}, 30_000);

test('it is made anew a month before it runs out and where the machine is called otherwise; the root stays', () => {
  certificate();
  const wants = (own: string, days: number) =>
    says<string | null>(`tls.wants(tls.tlsPlace(), ${own}, Date.now() + ${days} * 86400000)`);
  const mine = 'tls.ownNames()';
  expect(wants(mine, 0)).toBeNull();
  expect(wants(mine, 359)).toBeNull();
  expect(wants(mine, 361)).toBe('it runs out soon');
  expect(wants('{ names: ["localhost", "other.local"], addresses: [] }', 0)).toBe(
    'the machine has another name',
  );
  expect(wants('{ names: [], addresses: ["10.99.0.1"] }', 0)).toBe('the machine has another address');
  const root = readFileSync(file('root.pem'), 'utf8');
  rmSync(file('machine.pem'));
  expect(certificate().made).toBe('there is none');
  expect(readFileSync(file('root.pem'), 'utf8')).toBe(root);
  expect(verified()).toContain('OK');
}, 30_000);

test('its root speaks for machines of the network and for no site of the world', () => {
  certificate();
  // A certificate whoever stole the root’s key would make.
  writeFileSync(
    join(home, 'bad.cnf'),
    'subjectAltName = DNS:bank.example\nbasicConstraints = critical, CA:false\n',
  );
  const run = (...args: readonly string[]) => spawnSync('openssl', args, { cwd: home, encoding: 'utf8' });
  run(
    'req',
    '-newkey',
    'ec',
    '-pkeyopt',
    'ec_paramgen_curve:prime256v1',
    '-nodes',
    '-subj',
    '/CN=x',
    '-keyout',
    'bad.key',
    '-out',
    'bad.csr',
  );
  run(
    'x509',
    '-req',
    '-in',
    'bad.csr',
    '-CA',
    file('root.pem'),
    '-CAkey',
    file('root.key'),
    '-CAcreateserial',
    '-extfile',
    'bad.cnf',
    '-out',
    'bad.pem',
  );
  const { stdout, stderr } = run('verify', '-CAfile', file('root.pem'), 'bad.pem');
  expect(stdout + stderr).toMatch(/permitted subtree violation/);
}, 30_000);
