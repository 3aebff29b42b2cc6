'use client';

import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';

/** New onto old is asked for and refused, with the reason. */
export function TopUpSheet({ onClose }: { readonly onClose: () => void }) {
  const say = useSay();
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Top it up')}>
      <div className="grid gap-4 p-4 text-[19px]">
        <p role="alert" className="font-bold">
          {say('Never new onto old.')}
        </p>
        <p>
          {say(
            'The new would be dated by the old, what is wrong with the old would be in all of it, and warm onto cold takes both through the temperatures things grow at. Use up the old, and store the new on its own.',
          )}
        </p>
        <button type="button" className={BUTTON} onClick={onClose}>
          {say('Leave it as it is')}
        </button>
      </div>
    </Sheet>
  );
}
