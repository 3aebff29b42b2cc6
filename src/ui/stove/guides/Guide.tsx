'use client';

import { clsx } from 'clsx';
import { Check } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import type { EventBody, StepKey } from '../../../core/batch/events';
import type { Guide as Guidance } from '../../../core/batch/guide';
import { JUGS } from '../../../core/batch/guide';
import { jugFills } from '../../../core/safety/cautions';
import type { RouxColour } from '../../../core/thicken/granules';
import { duration, litres, spaced } from '../../../core/units/format';
import { degrees, type Show } from '../../../core/units/show';
import { Segments } from '../../shared/form/Segments';
import { TemperScale } from './TemperScale';

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
          list={guide.ml.map((ml) => (ml >= 995 ? `${litres(ml)} L` : `${spaced(Math.round(ml))} mL`))}
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
          About <b className="figures text-[28px]">{litres(guide.ml)} L</b> come through;{' '}
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
              Add none: <b>{litres(guide.unsaltedLiquid)} L</b> of unsalted liquid would bring it down.
            </>
          ) : (
            'Add none.'
          )}
        </p>
      );
  }
}

/** Paints of a roux, flour cooked in butter from paste to chestnut. */
const PAINT: Readonly<Record<RouxColour, string>> = {
  white: '#f3e7c3',
  blond: '#e2bf72',
  brown: '#a8692c',
  dark: '#5b3113',
};

function Roux({
  guide,
  colour,
  onColour,
}: {
  guide: Extract<Guidance, { kind: 'roux' }>;
  colour: RouxColour | null;
  onColour: (colour: RouxColour) => void;
}) {
  const here = colour ?? guide.wanted;
  return (
    <fieldset className="mt-4">
      <legend className="mb-1">
        Cook it to <b>{guide.wanted}</b>. Tap the colour it took:
      </legend>
      <div className="flex flex-wrap gap-2">
        {guide.colours.map((c) => (
          <button
            key={c.colour}
            type="button"
            aria-pressed={c.colour === here}
            onClick={() => onColour(c.colour)}
            className={clsx(
              'w-33 rounded-sm border-2 border-ink bg-surface p-1 text-left leading-tight',
              c.colour === here && 'outline-4 outline-butter',
            )}
          >
            <svg viewBox="0 0 100 26" aria-hidden="true" className="mb-1 block w-full">
              <rect width="100" height="26" fill={PAINT[c.colour]} stroke="var(--ink)" strokeWidth="1.5" />
            </svg>
            <b>{c.colour}</b> {c.minutes} min
            <span className="block text-[16px]">keeps {Math.round(c.keeps * 100)} %</span>
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** Things done one after another: tick each as it goes in. */
function Ticks({
  label,
  list,
  parts,
  tick,
  after,
  asides,
}: {
  label: string;
  list: readonly string[];
  parts: ReadonlySet<number>;
  tick: (part: number) => void;
  after?: ReactNode;
  asides?: readonly string[];
}) {
  return (
    <fieldset className="mt-4">
      <legend className="mb-1 font-bold text-[20px]">{label}</legend>
      <div className="flex flex-wrap gap-1.5">
        {list.map((words, n) => {
          const done = parts.has(n);
          const id = `${n}`;
          return (
            <button
              key={id}
              type="button"
              aria-pressed={done}
              onClick={() => tick(n)}
              className={clsx(
                'min-h-14 min-w-22 rounded-sm border-2 border-ink px-2 text-left leading-tight',
                done ? 'bg-ink text-surface' : 'bg-surface',
              )}
            >
              <span className="flex items-center gap-2 font-bold text-[22px]">
                {done && !asides && <Check size={22} strokeWidth={3} aria-hidden />}
                <span className="figures">{words}</span>
              </span>
              {asides?.[n] && (
                <span className="flex items-center gap-1 text-[16px]">
                  {done && <Check size={18} strokeWidth={4} aria-hidden />}
                  {asides[n]}
                </span>
              )}
            </button>
          );
        })}
      </div>
      {after && <p className="mt-2 text-[19px]">{after}</p>}
    </fieldset>
  );
}

function Blend({
  guide,
  parts,
  tick,
  show,
}: {
  guide: Extract<Guidance, { kind: 'blend' }>;
  parts: ReadonlySet<number>;
  tick: (part: number) => void;
  show: Show;
}) {
  const [jug, setJug] = useState('2000');
  if (!guide.jug)
    return (
      <p className="mt-4 text-[20px]">
        <b className="figures text-[28px]">{litres(guide.ml)} L</b> at {degrees(guide.celsius, show)}: keep
        the head under, start and stop it there.
      </p>
    );
  const fills = jugFills(guide.ml, Number(jug));
  const each = guide.ml / fills;
  return (
    <div className="mt-4 flex flex-wrap items-start gap-x-6">
      <svg viewBox="0 0 90 120" aria-hidden="true" className="h-32 shrink-0">
        <path
          d="M14 20 H76 L70 108 H20 Z"
          fill="var(--surface)"
          stroke="var(--ink)"
          strokeWidth="4"
          strokeLinejoin="round"
        />
        <path d="M18 79 H72 L70 106 H20 Z" fill="var(--soup)" />
        <path d="M17 79 H73" stroke="var(--tomato)" strokeWidth="3" strokeDasharray="7 5" />
        <path d="M22 14 H68 M40 8 v6 M50 8 v6" stroke="var(--ink)" strokeWidth="4" strokeLinecap="round" />
        <text x="45" y="72" textAnchor="middle" fontSize="15" fill="var(--tomato)">
          never over
        </text>
      </svg>
      <div className="min-w-0 flex-1">
        <Segments
          label="Jug"
          value={jug}
          options={JUGS.map((ml) => ({ value: String(ml), words: `${ml / 1000} L jug` }))}
          onChange={setJug}
        />
        <Ticks
          label={`${fills} fills of ${litres(each)} L`}
          list={Array.from({ length: Math.min(24, fills) }, (_, n) => `${n + 1}`)}
          parts={parts}
          tick={tick}
          after="A third full, lid vented, a folded towel held on it, slow first."
        />
      </div>
    </div>
  );
}

function Temper({
  guide,
  parts,
  tick,
  show,
}: {
  guide: Extract<Guidance, { kind: 'temper' }>;
  parts: ReadonlySet<number>;
  tick: (part: number) => void;
  show: Show;
}) {
  const hot = guide.never !== null && guide.pot > guide.never;
  return (
    <div className="mt-3">
      {hot && (
        <p role="alert" className="border-2 border-tomato px-3 py-2 font-bold text-[20px] text-tomato">
          The pot is at {degrees(guide.pot, show)}: let it come under {degrees(guide.never ?? 0, show)} first.
        </p>
      )}
      <Ticks
        label={`Ladles of ${spaced(guide.ladleMl)} mL into the bowl, stirring; it then reads`}
        list={guide.ladles.map((c) => degrees(c, show))}
        asides={guide.ladles.map((_, n) => `ladle ${n + 1}`)}
        parts={parts}
        tick={tick}
      />
      <TemperScale
        startsAt={guide.startsAt}
        ladles={guide.ladles}
        done={guide.ladles.filter((_, n) => parts.has(n)).length}
        warmTo={guide.warmTo}
        to={guide.to}
        never={guide.never}
        show={show}
      />
    </div>
  );
}
