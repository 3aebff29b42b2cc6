'use client';

import type { EventBody, StepKey } from '../../../core/batch/events';
import type { Guide as Guidance } from '../../../core/batch/guide/guide';
import type { RouxColour } from '../../../core/thicken/granules';
import { duration } from '../../../core/units/shown/format';
import { degrees, massWords, type Show, volumeWords } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
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
  const say = useSay();
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
          label={say('{count, plural, one {# pour} other {# pours}}', { count: guide.ml.length })}
          list={guide.ml.map((ml) =>
            ml >= 995 ? `${volumeWords(ml, show)}` : say('{ml}', { ml: { millilitres: ml } }),
          )}
          parts={parts}
          tick={tick}
          after={say('Whisk each smooth before the next.')}
        />
      );
    case 'blend':
      return <Blend guide={guide} parts={parts} tick={tick} show={show} />;
    case 'strain':
      return (
        <p className="mt-4 text-[20px]">
          {say.rich(
            'About <b>{ml}</b> come through; {solidsG, select, none {the sieve keeps only what the blender left} other {{solidsG} stay in the sieve}}. Have the second pot under it before you pour.',
            {
              b: (text) => <b className="figures text-[28px]">{text}</b>,
              ml: volumeWords(guide.ml, show),
              // Less than the sieve itself holds on to is none.
              solidsG:
                guide.solidsG < 5
                  ? 'none'
                  : massWords(Math.max(10, Math.round(guide.solidsG / 10) * 10), show),
            },
          )}
        </p>
      );
    case 'temper':
      return <Temper guide={guide} parts={parts} tick={tick} show={show} />;
    case 'seafood':
      return (
        <p className="mt-4 text-[20px]">
          {say.rich(
            'The pot drops from {from} to <b>{dropsTo}</b> as it goes in cold. Centre at {centre} in about <b>{max}</b>. Lay it in, turn once, leave it alone: it breaks when it is stirred.',
            {
              b: (text) => <b className="figures text-[28px]">{text}</b>,
              from: degrees(guide.from, show),
              dropsTo: degrees(guide.dropsTo, show),
              centre: degrees(guide.centre, show),
              max: duration(Math.max(60, guide.seconds)),
            },
          )}
        </p>
      );
    case 'salt':
      return <Salt guide={guide} show={show} />;
  }
}

type SaltProps = {
  readonly guide: Extract<Guidance, { kind: 'salt' }>;
  readonly show: Show;
};

/** How much salt is in it, and how much is still to add. */
function Salt({ guide, show }: SaltProps) {
  const say = useSay();
  return (
    <p className="mt-4 text-[20px]">
      {say.rich(
        'In it already: <b>{percent} %</b> salt, with bacon, cheese, stock and what boiled off counted. The house wants {wanted} %.',
        {
          b: (text) => <b className="figures text-[28px]">{text}</b>,
          percent: guide.percent.toFixed(2),
          wanted: guide.wanted.toFixed(2),
        },
      )}{' '}
      {guide.toAdd >= 0.5
        ? say.rich('Still to add: <b>{toAdd}</b>. Half first, stir, taste.', {
            b: (text) => <b className="figures bg-butter px-2 text-[28px] text-on-butter">{text}</b>,
            toAdd: { g: guide.toAdd },
          })
        : guide.unsaltedLiquid > 50
          ? say.rich('Add none: <b>{unsaltedLiquid}</b> of unsalted liquid would bring it down.', {
              b: (text) => <b>{text}</b>,
              unsaltedLiquid: volumeWords(guide.unsaltedLiquid, show),
            })
          : say('Add none.')}
    </p>
  );
}
