import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { BlockList, isIPv6 } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { debianPackage } from './packages.mjs';
import { own } from './place.mjs';
import { must } from './run.mjs';

const DAY = 86_400_000;
/** Days a certificate of the machine is good for (browsers take up to 398), and left when it is made anew. */
const GOOD_FOR = 390;
const RENEWED_AT = 30;
const ROOT_DAYS = 3650;

/** Networks nobody has to himself (RFC 1918, 3927, 4193), and the machine’s own. */
const PRIVATE = [
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['169.254.0.0', 16],
  ['127.0.0.0', 8],
  ['fc00::', 7],
  ['::1', 128],
];

/** Where the authority and the machine's certificate stand, for nobody but whoever serves. */
export const tlsPlace = () => {
  const folder = join(own, 'tls');
  return {
    folder,
    root: join(folder, 'root.pem'),
    made: join(folder, 'root.json'),
    rootKey: join(folder, 'root.key'),
    cert: join(folder, 'machine.pem'),
    key: join(folder, 'machine.key'),
  };
};

/** Names and addresses this machine is reached by on its networks. */
export function ownNames() {
  const addresses = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    // An address with a scope is no name anybody can type.
    .filter((a) => !a.internal && !a.address.toLowerCase().startsWith('fe80'))
    .map((a) => a.address);
  const name = hostname().toLowerCase();
  return {
    names: [...new Set([name, `${name.replace(/\.local$/, '')}.local`, 'localhost'])],
    addresses: [...new Set(['127.0.0.1', '::1', ...addresses])],
  };
}

/** The network an address of the machine’s lies in: of IPv4 those beside it, of IPv6 itself. */
const near = (address) => (isIPv6(address) ? [address, 128] : [address.replace(/\.\d+$/, '.0'), 24]);

/** So many bits as a mask, as openssl writes one. */
const maskOf = (net, bits) => {
  const [parts, wide, base, dot] = isIPv6(net) ? [8, 16, 16, ':'] : [4, 8, 10, '.'];
  return Array.from({ length: parts }, (_, n) => {
    const set = Math.min(wide, Math.max(0, bits - n * wide));
    return (2 ** wide - 2 ** (wide - set)).toString(base);
  }).join(dot);
};

/**
 * What the root may speak for: names of the local network and addresses of private ones (RFC 1918, 3927, 4193), and those the machine
 * has. Whoever steals it can pose as no site of the world’s (RFC 5280, 4.2.1.10).
 */
const permitted = ({ names, addresses }) =>
  [
    ...[...PRIVATE, ...addresses.map(near)].map(([net, bits]) => `IP:${net}/${maskOf(net, bits)}`),
    ...[...names, 'local'].map((n) => `DNS:${n}`),
  ].map((what) => `permitted;${what}`);

/** Those of what a machine is called now that its root may speak for: it moved elsewhere, or has another name, since that was made. */
function spokenFor(place, { names, addresses }) {
  const { names: known, addresses: had } = JSON.parse(readFileSync(place.made, 'utf8'));
  const inside = new BlockList();
  for (const [net, bits] of [...PRIVATE, ...had.map(near)])
    inside.addSubnet(net, bits, isIPv6(net) ? 'ipv6' : 'ipv4');
  return {
    names: names.filter((n) => known.includes(n) || n.endsWith('.local')),
    addresses: addresses.filter((a) => inside.check(a, isIPv6(a) ? 'ipv6' : 'ipv4')),
  };
}

const openssl = (what, args) => must(what, 'openssl', args);

async function makeRoot(place, own) {
  mkdirSync(place.folder, { recursive: true, mode: 0o700 });
  const config = join(place.folder, 'root.cnf');
  writeFileSync(
    config,
    `[req]\nprompt = no\ndistinguished_name = dn\nx509_extensions = root\n[dn]\nCN = Panache in this kitchen (${own.names[0]})
[root]\nbasicConstraints = critical, CA:true, pathlen:0\nkeyUsage = critical, keyCertSign, cRLSign\nsubjectKeyIdentifier = hash
nameConstraints = critical, ${permitted(own).join(', ')}\n`,
  );
  await openssl('making the kitchen’s own authority', [
    'req',
    '-x509',
    '-newkey',
    'ec',
    '-pkeyopt',
    'ec_paramgen_curve:prime256v1',
    '-nodes',
    '-days',
    String(ROOT_DAYS),
    '-config',
    config,
    '-keyout',
    place.rootKey,
    '-out',
    place.root,
  ]);
  rmSync(config);
  writeFileSync(place.made, JSON.stringify(own));
}

/** Why a certificate has to be made; null where it is good as it is. */
export function wants(place, { names, addresses }, now = Date.now()) {
  if (!existsSync(place.cert) || !existsSync(place.key)) return 'there is none';
  const held = new X509Certificate(readFileSync(place.cert));
  if (!held.verify(new X509Certificate(readFileSync(place.root)).publicKey))
    return 'it is of another authority';
  if (Date.parse(held.validTo) - now < RENEWED_AT * DAY) return 'it runs out soon';
  if (names.some((n) => !held.checkHost(n))) return 'the machine has another name';
  if (addresses.some((a) => !held.checkIP(a))) return 'the machine has another address';
  return null;
}

async function makeCertificate(place, { names, addresses }) {
  const config = join(place.folder, 'machine.cnf');
  const [request, cert, key] = ['machine.csr', 'machine.pem.new', 'machine.key.new'].map((f) =>
    join(place.folder, f),
  );
  const subjects = [...names.map((n) => `DNS:${n}`), ...addresses.map((a) => `IP:${a}`)];
  writeFileSync(
    config,
    `[req]\nprompt = no\ndistinguished_name = dn\n[dn]\nCN = ${names[0]}
[machine]\nbasicConstraints = critical, CA:false\nkeyUsage = critical, digitalSignature\nextendedKeyUsage = serverAuth
subjectAltName = ${subjects.join(', ')}\nauthorityKeyIdentifier = keyid\n`,
  );
  await openssl('asking for a certificate', [
    'req',
    '-newkey',
    'ec',
    '-pkeyopt',
    'ec_paramgen_curve:prime256v1',
    '-nodes',
    '-config',
    config,
    '-keyout',
    key,
    '-out',
    request,
  ]);
  await openssl('making a certificate for this machine', [
    'x509',
    '-req',
    '-in',
    request,
    '-CA',
    place.root,
    '-CAkey',
    place.rootKey,
    '-CAcreateserial',
    '-days',
    String(GOOD_FOR),
    '-extfile',
    config,
    '-extensions',
    'machine',
    '-out',
    cert,
  ]);
  for (const file of [config, request]) rmSync(file);
  // Key and certificate are a pair: the certificate, which is looked at for whether there is a new one, comes last.
  renameSync(key, place.key);
  renameSync(cert, place.cert);
}

/**
 * Sees to a certificate of this machine’s own authority, for the names and addresses it has now: made where there is none, and anew
 * before it runs out or where the machine is called otherwise. Returns where both stand, and the root’s fingerprint (SHA-256).
 */
export async function certificate() {
  await debianPackage('openssl', ['/usr/bin/openssl']);
  const place = tlsPlace();
  const called = ownNames();
  if ([place.root, place.rootKey, place.made].some((f) => !existsSync(f))) await makeRoot(place, called);
  const mine = spokenFor(place, called);
  const why = wants(place, mine);
  if (why) await makeCertificate(place, mine);
  const { fingerprint256 } = new X509Certificate(readFileSync(place.root));
  return { ...place, ...mine, made: why, fingerprint: fingerprint256 };
}
