'use client';

import type { Held } from '../../core/compare/beside/finished';
import { message } from '../../core/message/message';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';

const HELD = [
  { value: 'richness', words: message('Richness') },
  { value: 'litres', words: message('Litres') },
  { value: 'cost', words: message('Cost') },
  { value: 'dose', words: message('Dose') },
] as const;

/** What stays as it is while the dairy changes. */
export function HeldPart({ held, onChange }: { held: Held; onChange: (held: Held) => void }) {
  const say = useSay();
  return (
    <>
      <span className="font-bold">{say('Keep')}</span>
      <Segments label={say('What stays as it is')} value={held} onChange={onChange} options={HELD} />
    </>
  );
}
