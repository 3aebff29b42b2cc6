'use client';

import { useState } from 'react';
import type { Guide as Guidance } from '../../../core/batch/guide/guide';
import { JUGS } from '../../../core/batch/guide/guide';
import { jugFills } from '../../../core/safety/cautions';
import { degrees, type Show, volumeWords } from '../../../core/units/shown/show';
import { Segments } from '../../shared/form/Segments';
import { useSay } from '../../shared/hooks/useSay';
import { Ticks } from './Ticks';

export function Blend({
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
  const say = useSay();
  const [jug, setJug] = useState('2000');
  if (!guide.jug)
    return (
      <p className="mt-4 text-[20px]">
        {say.rich('<b>{ml}</b> at {celsius}: keep the head under, start and stop it there.', {
          b: (text) => <b className="figures text-[28px]">{text}</b>,
          ml: volumeWords(guide.ml, show),
          celsius: degrees(guide.celsius, show),
        })}
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
          {say('never over')}
        </text>
      </svg>
      <div className="min-w-0 flex-1">
        <Segments
          label={say('Jug')}
          value={jug}
          options={JUGS.map((ml) => ({
            value: String(ml),
            words: say('{ml} jug', { ml: { litres: ml / 1000 } }),
          }))}
          onChange={setJug}
        />
        <Ticks
          label={say('{fills, plural, one {# fill} other {# fills}} of {each}', {
            fills,
            each: volumeWords(each, show),
          })}
          list={Array.from({ length: Math.min(24, fills) }, (_, n) => `${n + 1}`)}
          parts={parts}
          tick={tick}
          after={say('A third full, lid vented, a folded towel held on it, slow first.')}
        />
      </div>
    </div>
  );
}
