'use client';

import { Sheet } from '../shared/Sheet';
import { VIEWS } from './views';

const KEYS: readonly (readonly [string, string])[] = [
  ...VIEWS.map((v) => [`g ${v.key}`, `go to ${v.name}`] as const),
  ['n', 'step done, next one (Stove)'],
  ['u', 'take the last step back (Stove)'],
  ['t', 'a timer (Stove)'],
  ['r', 'write a temperature down (Stove)'],
  ['f', 'something’s wrong (Stove)'],
  ['space', 'start and stop the watch (Check)'],
  ['/', 'find a recipe (Recipes)'],
  ['↑ ↓', 'move the target, with the ladder in focus (Plan)'],
  ['?', 'this sheet'],
];

/** All keys in one place. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title="Keys">
      <dl className="grid p-4 grid-cols-[7rem_1fr] gap-y-3">
        {KEYS.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="figures font-bold">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
