import { X509Certificate } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';

/** The kitchen’s own authority (PANACHE_TLS_ROOT): its certificate, PEM, and its fingerprint, SHA-256. Null where it has none. */
export function rootCertificate(): { readonly pem: string; readonly fingerprint: string } | null {
  const file = process.env.PANACHE_TLS_ROOT ?? '';
  if (!existsSync(file)) return null;
  const pem = readFileSync(file, 'utf8');
  return { pem, fingerprint: new X509Certificate(pem).fingerprint256 };
}
