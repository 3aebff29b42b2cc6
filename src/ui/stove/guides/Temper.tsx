'use client';

import type { Guide as Guidance } from '../../../core/batch/guide/guide';
import { degrees, type Show } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { TemperScale } from './TemperScale';
import { Ticks } from './Ticks';

export function Temper({
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
  const say = useSay();
  const hot = guide.never !== null && guide.pot > guide.never;
  return (
    <div className="mt-3">
      {hot && (
        <p role="alert" className="border-2 border-tomato px-3 py-2 font-bold text-[20px] text-tomato">
          {say('The pot is at {pot}: let it come under {degrees} first.', {
            pot: degrees(guide.pot, show),
            degrees: degrees(guide.never ?? 0, show),
          })}
        </p>
      )}
      <Ticks
        label={say('Ladles of {ladleMl} into the bowl, stirring; it then reads', {
          ladleMl: { millilitres: guide.ladleMl },
        })}
        list={guide.ladles.map((c) => degrees(c, show))}
        asides={guide.ladles.map((_, n) => say('ladle {n}', { n: n + 1 }))}
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
