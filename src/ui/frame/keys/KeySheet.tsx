'use client';

import { type Message, message } from '../../../core/message/message';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { VIEWS } from '../views';
import { KEYS } from './keys';

/** What is pressed, as it stands on the key. */
const onKeyboard = (key: string): string => (key === ' ' ? 'space' : key);

const ALL: readonly (readonly [string, Message])[] = [
  ...VIEWS.map((v) => [`g ${v.key}`, message('go to {name}', { name: v.name })] as const),
  ...KEYS.map(
    (k) => [onKeyboard(k.key), k.on ? message('{does} ({on})', { does: k.does, on: k.on }) : k.does] as const,
  ),
  ['Ctrl+Z', message('take back the last thing done on this station')],
  ['Ctrl+⇧+Z', message('do it again, with its old time')],
  ['↑ ↓', message('move the target, with the ladder in focus (Plan)')],
];

/** All keys in one place. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  const say = useSay();
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Keys')}>
      <dl className="grid p-4 grid-cols-[7rem_1fr] gap-y-3">
        {ALL.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="figures font-bold">{key}</dt>
            <dd>{say(does)}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
