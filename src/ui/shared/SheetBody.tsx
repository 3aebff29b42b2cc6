'use client';

import { clsx } from 'clsx';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { type ReactNode, Suspense } from 'react';
import { useSay } from './hooks/useSay';

type Props = {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly wide: boolean;
  /** Gives the focus back. */
  readonly onClosed: () => void;
  readonly children: ReactNode;
};

/** The sheet itself, apart so that a page need not carry it before one is opened. */
export function SheetBody({ open, onOpenChange, title, wide, onClosed, children }: Props) {
  const say = useSay();
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-rail/40" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            onClosed();
          }}
          className={clsx(
            'fixed left-1/2 z-50 flex -translate-x-1/2 flex-col rounded-sm border-2 border-ink bg-surface text-ink',
            wide
              ? 'top-18 max-h-[calc(100dvh-5rem)] w-[min(96vw,1120px)]'
              : 'top-24 max-h-[calc(100dvh-7rem)] w-[min(94vw,520px)]',
          )}
        >
          <div className="flex shrink-0 items-center justify-between border-ink border-b-2 pl-4">
            <Dialog.Title className="font-bold text-[21px]">{title}</Dialog.Title>
            <Dialog.Close aria-label={say('Close')} className="grid size-14 place-items-center">
              <X aria-hidden />
            </Dialog.Close>
          </div>
          <div className="min-h-0 overflow-y-auto">
            <Suspense fallback={<p className="p-4 text-quiet">{say('Working it out …')}</p>}>
              {children}
            </Suspense>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
