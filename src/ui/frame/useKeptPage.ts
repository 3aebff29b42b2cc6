'use client';

import { useEffect } from 'react';

/** What any page loads when it is first wanted, wanted now: at the stove the server may be away by then. */
const shared = () => [import('../shared/SheetBody'), import('./keys/KeySheet'), import('../device/outbox')];

const SOON = 2000;

/** Has the browser keep this page and its scripts, `more` among them, for a reload while the server is away. */
export function useKeptPage(more?: () => Promise<unknown>): void {
  useEffect(() => {
    const timer = setTimeout(() => Promise.all([...shared(), more?.()]).catch(() => {}), SOON);
    return () => clearTimeout(timer);
  }, [more]);
  useEffect(() => {
    // Browsers allow it over https and on the machine itself.
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    void (async () => {
      const registration = await navigator.serviceWorker.register('/sw.js').catch(() => null);
      if (!registration) return;
      const { active } = await navigator.serviceWorker.ready;
      const parts = performance
        .getEntriesByType('resource')
        .map((r) => r.name)
        .filter((name) => name.startsWith(`${location.origin}/_next/static/`) || name.endsWith('/theme.js'));
      active?.postMessage({ page: location.href, parts });
    })();
  }, []);
}
