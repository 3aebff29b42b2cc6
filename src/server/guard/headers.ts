import { randomBytes } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';

/** What pages may load and do: their own scripts, with this answer's number or from this server, and nothing of anybody else's. */
export const policyOf = (nonce: string, dev: boolean): string =>
  [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}'${dev ? " 'unsafe-eval'" : ''}`,
    // React, Radix and the charts place things by style attributes.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
    "object-src 'none'",
  ].join('; ');

/** The clock all stations go by. PANACHE_CLOCK=own leaves each its own, for trying things in time that is made up. */
export const TELLS_TIME = process.env.PANACHE_CLOCK !== 'own';

const PERMISSIONS =
  'camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), browsing-topics=(), screen-wake-lock=(self)';

/**
 * Puts what every answer carries on it. The page's policy goes on the request too: that is where Next reads the
 * number its own inline scripts have to bear.
 */
export function guarded(request: IncomingMessage, response: ServerResponse, dev: boolean): void {
  const policy = policyOf(randomBytes(16).toString('base64'), dev);
  request.headers['content-security-policy'] = policy;
  response.setHeader('Content-Security-Policy', policy);
  response.setHeader('X-Content-Type-Options', 'nosniff');
  response.setHeader('X-Frame-Options', 'DENY');
  response.setHeader('Referrer-Policy', 'same-origin');
  response.setHeader('Permissions-Policy', PERMISSIONS);
  response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
  response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
  if (TELLS_TIME) response.setHeader('X-Panache-Now', String(Date.now()));
}

/** Longest of what a page says of where it stands. */
const MOST_STATE = 40_000;

/** Whether this is a place in the tree of pages, as Next’s own browser part writes it. */
const isPlace = (value: unknown): boolean =>
  Array.isArray(value) &&
  value.length >= 2 &&
  (typeof value[0] === 'string' ||
    (Array.isArray(value[0]) && value[0].every((p) => typeof p === 'string'))) &&
  typeof value[1] === 'object' &&
  value[1] !== null &&
  Object.values(value[1]).every(isPlace);

/**
 * Takes off a request what only Next’s own browser part sends, where it cannot be read: the page is answered
 * whole, instead of with a failure.
 */
export function dropUnreadable({ headers }: Pick<IncomingMessage, 'headers'>): void {
  const state = headers['next-router-state-tree'];
  if (state === undefined) return;
  try {
    if (
      typeof state === 'string' &&
      state.length <= MOST_STATE &&
      isPlace(JSON.parse(decodeURIComponent(state)))
    )
      return;
  } catch {
    // Told from what can be read by that alone.
  }
  delete headers['next-router-state-tree'];
}
