'use client';

import type { EventBody, StepKey } from '../../../core/batch/events';
import type { Guide as Guidance } from '../../../core/batch/guide';
import type { RouxColour } from '../../../core/thicken/granules';
import { duration, spaced } from '../../../core/units/format';
import { degrees, type Show, volumeWords } from '../../../core/units/show';
import { Blend } from './Blend';
import { Roux } from './Roux';
import { Temper } from './Temper';
import { Ticks } from './Ticks';

type Props = {
  readonly guide: Guidance;
  readonly step: StepKey;
  readonly parts: ReadonlySet<number>;
  /** The colour written down for a roux, if one was. */
  readonly colour: RouxColour | null;
  readonly show: Show;
  readonly write: (body: EventBody) => void;
};

/** What helps the hand in the step: drawn, with the figures of this pot, ticked as it goes. */
export function Guide({ guide, step, parts, colour, show, write }: Props) {
  const tick = (part: number) => {
    if (!parts.has(part)) write({ kind: 'part-done', step, part });
  };
  switch (guide.kind) {
    case 'roux':
      return (
        <Roux
          guide={guide}
          colour={colour}
          onColour={(c) => typeof step === 'number' && write({ kind: 'colour', step, colour: c })}
        />
      );
    case 'pours':
      return (
        <Ticks
          label={`${guide.ml.length} pours`}
          list={guide.ml.map((ml) =>
            ml >= 995 ? `${volumeWords(ml, show)}` : `${spaced(Math.round(ml))} mL`,
          )}
          parts={parts}
          tick={tick}
          after="Whisk each smooth before the next."
        />
      );
    case 'blend':
      return <Blend guide={guide} parts={parts} tick={tick} show={show} />;
    case 'strain':
      return (
        <p className="mt-4 text-[20px]">
          About <b className="figures text-[28px]">{volumeWords(guide.ml, show)}</b> come through;{' '}
          {spaced(Math.round(guide.solidsG / 10) * 10)} g stay in the sieve. Have the second pot under it
          before you pour.
        </p>
      );
    case 'temper':
      return <Temper guide={guide} parts={parts} tick={tick} show={show} />;
    case 'seafood':
      return (
        <p className="mt-4 text-[20px]">
          The pot drops from {degrees(guide.from, show)} to{' '}
          <b className="figures text-[28px]">{degrees(guide.dropsTo, show)}</b> as it goes in cold. Centre at{' '}
          {degrees(guide.centre, show)} in about{' '}
          <b className="figures text-[28px]">{duration(Math.max(60, guide.seconds))}</b>. Lay it in, turn
          once, leave it alone: it breaks when it is stirred.
        </p>
      );
    case 'salt':
      return (
        <p className="mt-4 text-[20px]">
          In it already: <b className="figures text-[28px]">{guide.percent.toFixed(2)} %</b> salt, with bacon,
          cheese, stock and what boiled off counted. The house wants {guide.wanted.toFixed(2)} %.{' '}
          {guide.toAdd >= 0.5 ? (
            <>
              Still to add:{' '}
              <b className="figures bg-butter px-2 text-[28px] text-on-butter">
                {spaced(guide.toAdd, guide.toAdd < 10 ? 1 : 0)} g
              </b>
              . Half first, stir, taste.
            </>
          ) : guide.unsaltedLiquid > 50 ? (
            <>
              Add none: <b>{volumeWords(guide.unsaltedLiquid, show)}</b> of unsalted liquid would bring it
              down.
            </>
          ) : (
            'Add none.'
          )}
        </p>
      );
  }
}
