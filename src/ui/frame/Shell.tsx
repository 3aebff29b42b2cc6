import type { ReactNode } from 'react';
import type { Ticket } from '../../core/batch/ticket';
import type { Access } from '../../core/record/access';
import type { Reader } from '../../core/text/inWords';
import { ShowProvider } from '../shared/hooks/useShow';
import { Aside } from './Aside';
import { Shortcuts } from './keys/Shortcuts';
import { Nav } from './Nav';
import { PinSheet } from './PinSheet';
import { Rail } from './rail/Rail';
import { SkipLink } from './SkipLink';

type Props = {
  readonly tickets: readonly Ticket[];
  readonly reader: Reader;
  readonly roles: readonly string[];
  /** Lines that stand aside, out of the record. */
  readonly aside: number;
  /** What this screen may do; null of the kitchen’s own machine. */
  readonly access: Access | null;
  readonly children: ReactNode;
};

/** The frame of every view: the rail of live pots above, the views beside (below on a phone). */
export function Shell({ tickets, reader, roles, aside, access, children }: Props) {
  const inspects = access === 'inspector';
  return (
    <ShowProvider show={reader}>
      <Shortcuts>
        <div className="flex h-dvh flex-col print:block print:h-auto">
          <SkipLink />
          {!inspects && <Rail initial={tickets} />}
          {aside > 0 && <Aside lines={aside} />}
          <div className="flex min-h-0 flex-1 flex-col-reverse min-[720px]:flex-row">
            {!inspects && <Nav roles={roles} />}
            <main
              id="content"
              tabIndex={-1}
              className="min-h-0 min-w-0 flex-1 outline-none print:overflow-visible"
            >
              {children}
            </main>
          </div>
        </div>
        {access !== null && !inspects && <PinSheet access={access} />}
      </Shortcuts>
    </ShowProvider>
  );
}
