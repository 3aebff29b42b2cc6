'use client';

import { useState } from 'react';
import { type Show, volumeWords } from '../../../core/units/shown/show';
import { PART } from '../../shared/form/Choice';
import { useSay } from '../../shared/hooks/useSay';
import { lazily } from '../../shared/lazily';
import { Sheet } from '../../shared/Sheet';

/** Loaded when first opened. */
const HowMuch = lazily(async () => (await import('./HowMuch')).HowMuch);

type Props = {
  readonly litres: number;
  readonly show: Show;
  readonly onChange: (litres: number) => void;
};

/** How much: typed in litres or US units, by portions and ladle, stepped, or picked. */
export function LitresPart({ litres, show, onChange }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const words =
    show.volume === 'L' && Number.isInteger(litres) ? `${litres} L` : volumeWords(litres * 1000, show);
  return (
    <Sheet
      open={open}
      onOpenChange={setOpen}
      title={say('How much')}
      trigger={words}
      label={say('How much: {words}', { words })}
      triggerClass={PART}
    >
      <HowMuch litres={litres} show={show} onChange={onChange} />
    </Sheet>
  );
}
