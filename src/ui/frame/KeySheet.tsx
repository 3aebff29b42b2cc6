'use client';

import { Sheet } from '../shared/Sheet';
import { KEYS } from './keys';
import { VIEWS } from './views';

/** What is pressed, as it stands on the key. */
const onKeyboard = (key: string): string => (key === ' ' ? 'space' : key);

const ALL: readonly (readonly [string, string])[] = [
  ...VIEWS.map((v) => [`g ${v.key}`, `go to ${v.name}`] as const),
  ...KEYS.map((k) => [onKeyboard(k.key), k.on ? `${k.does} (${k.on})` : k.does] as const),
  ['↑ ↓', 'move the target, with the ladder in focus (Plan)'],
];

/** All keys in one place. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title="Keys">
      <dl className="grid p-4 grid-cols-[7rem_1fr] gap-y-3">
        {ALL.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="figures font-bold">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
