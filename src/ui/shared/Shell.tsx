import type { ReactNode } from 'react';
import type { Ticket } from '../../core/batch/ticket';
import { Nav } from './Nav';
import { Rail } from './Rail';
import { Shortcuts } from './Shortcuts';

/** The frame of every view: the rail of live pots above, the views beside (below on a phone). */
export function Shell({ tickets, children }: { tickets: readonly Ticket[]; children: ReactNode }) {
  return (
    <Shortcuts>
      <div className="flex h-dvh flex-col print:block print:h-auto">
        <Rail initial={tickets} />
        <div className="flex min-h-0 flex-1 flex-col-reverse min-[720px]:flex-row">
          <Nav />
          <main className="min-h-0 min-w-0 flex-1 print:overflow-visible">{children}</main>
        </div>
      </div>
    </Shortcuts>
  );
}
