import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { pool } from '../server/data/database';
import { asking } from '../server/guard/asking';
import { theRail } from '../server/live/theRail';
import { readHouse } from '../server/queries/kitchen';
import { countAside } from '../server/queries/record/parts';
import { urgentFirst } from '../ui/frame/rail/urgent';
import { Shell } from '../ui/frame/Shell';
import { ShowProvider } from '../ui/shared/hooks/useShow';
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

/** What somebody sees whom nobody let in: nothing of the kitchen. */
async function Outside({ children }: { children: ReactNode }) {
  const reader = await readerHere();
  return (
    <html lang={reader.language ?? 'en'} className={fonts} suppressHydrationWarning>
      <head>
        <script src="/theme.js" />
      </head>
      <body>
        <ShowProvider show={reader}>
          <main id="content" className="h-dvh overflow-y-auto">
            {children}
          </main>
        </ShowProvider>
      </body>
    </html>
  );
}

export default async function RootLayout({ children }: { children: ReactNode }) {
  const { who } = asking();
  if (who.kind === 'stranger') return <Outside>{children}</Outside>;
  const access = who.kind === 'station' ? (who.raised ? 'lead' : who.access) : null;
  const db = pool();
  const [tickets, house, aside] = await Promise.all([
    access === 'inspector' ? [] : theRail(),
    readHouse(db),
    countAside(db),
  ]);
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
          access={access}
        >
          {children}
        </Shell>
      </body>
    </html>
  );
}
