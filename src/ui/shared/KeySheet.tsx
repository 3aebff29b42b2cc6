'use client';

import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { VIEWS } from './views';

const KEYS: readonly (readonly [string, string])[] = [
  ...VIEWS.map((v) => [`g ${v.key}`, `go to ${v.name}`] as const),
  ['n', 'step done, next one (Stove)'],
  ['u', 'take the last step back (Stove)'],
  ['↑ ↓', 'move the target, with the ladder in focus (Plan)'],
  ['?', 'this sheet'],
];

/** All keys in one place. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  return (
    <Dialog.Root open onOpenChange={(open) => open || onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-rail/70" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 w-[min(92vw,560px)] -translate-x-1/2 -translate-y-1/2 rounded-sm border-2 border-ink bg-surface p-6 text-ink"
        >
          <div className="flex items-center justify-between">
            <Dialog.Title className="font-bold text-[24px]">Keys</Dialog.Title>
            <Dialog.Close aria-label="Close" className="grid size-14 place-items-center">
              <X aria-hidden />
            </Dialog.Close>
          </div>
          <dl className="mt-2 grid grid-cols-[7rem_1fr] gap-y-3">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="figures font-bold">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
