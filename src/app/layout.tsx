import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { pool } from '../server/data/database';
import { theRail } from '../server/live/theRail';
import { readHouse } from '../server/queries/kitchen';
import { countAside } from '../server/queries/parts';
import { urgentFirst } from '../ui/frame/rail/urgent';
import { Shell } from '../ui/frame/Shell';
import { fonts } from './fonts';
import { readerHere, wordsHere } from './reader';
import './globals.css';

export async function generateMetadata(): Promise<Metadata> {
  const say = await wordsHere();
  return {
    title: { default: 'Panache', template: '%s · Panache' },
    description: say('How much, in which pot, for how long.'),
  };
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };
export const dynamic = 'force-dynamic';

export default async function RootLayout({ children }: { children: ReactNode }) {
  const db = pool();
  const [tickets, house, aside] = await Promise.all([theRail(), readHouse(db), countAside(db)]);
  const reader = await readerHere(house?.show);
  return (
    <html lang={reader.language ?? 'en'} className={fonts} suppressHydrationWarning>
      <head>
        <script src="/theme.js" />
      </head>
      <body>
        <Shell
          tickets={urgentFirst(tickets, Date.now())}
          reader={reader}
          roles={house?.roles ?? []}
          aside={aside}
        >
          {children}
        </Shell>
      </body>
    </html>
  );
}
