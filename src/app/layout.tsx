import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { METRIC } from '../core/units/show';
import { pool } from '../server/data/database';
import { theRail } from '../server/live/theRail';
import { readHouse } from '../server/queries/kitchen';
import { Shell } from '../ui/frame/Shell';
import '@fontsource/atkinson-hyperlegible-mono/latin-400.css';
import '@fontsource/atkinson-hyperlegible-mono/latin-700.css';
import '@fontsource/atkinson-hyperlegible-next/latin-400.css';
import '@fontsource/atkinson-hyperlegible-next/latin-700.css';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Panache', template: '%s · Panache' },
  description: 'How much, in which pot, for how long.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };
export const dynamic = 'force-dynamic';

export default async function RootLayout({ children }: { children: ReactNode }) {
  const db = pool();
  const [tickets, house] = await Promise.all([theRail(), readHouse(db)]);
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script src="/theme.js" />
      </head>
      <body>
        <Shell tickets={tickets} show={house?.show ?? METRIC}>
          {children}
        </Shell>
      </body>
    </html>
  );
}
