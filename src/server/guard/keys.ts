import { createHash, randomBytes, randomInt } from 'node:crypto';
import { CODE_DIGITS } from '../../contract/digits';

/** Cookies of a station: its key, and that it is a lead’s for a while. */
export const KEY_COOKIE = 'panache-key';
export const LEAD_COOKIE = 'panache-lead';

/** ms a station is a lead’s after the PIN was typed or last used. */
export const LEAD_LASTS = 10 * 60_000;

/** Days a browser keeps a key: as long as one may (RFC 6265bis, section 5.5), and again from each visit. */
const KEY_DAYS = 400;

/** What is kept of a secret: 256 random bits need no salt. */
export const hashed = (secret: string): string => createHash('sha256').update(secret).digest('hex');

export const newSecret = (): string => randomBytes(32).toString('base64url');

/** A code as it is typed, with leading zeros. */
export const newCode = (): string => String(randomInt(10 ** CODE_DIGITS)).padStart(CODE_DIGITS, '0');

/** A cookie no script reads and no other site sends along. */
const cookie = (name: string, value: string, seconds: number, secure: boolean): string =>
  `${name}=${value}; Path=/; Max-Age=${seconds}; HttpOnly; SameSite=Strict${secure ? '; Secure' : ''}`;

export const keyCookie = (key: string, secure: boolean): string =>
  cookie(KEY_COOKIE, key, KEY_DAYS * 86_400, secure);
export const leadCookie = (token: string, secure: boolean): string =>
  cookie(LEAD_COOKIE, token, LEAD_LASTS / 1000, secure);
export const noCookie = (name: string, secure: boolean): string => cookie(name, '', 0, secure);

/** A cookie of a request; null where it has none of that name. */
export const cookieOf = (header: string | undefined, name: string): string | null =>
  new RegExp(`(?:^|;\\s*)${name}=([A-Za-z0-9_-]{1,200})(?:;|$)`).exec(header ?? '')?.[1] ?? null;
