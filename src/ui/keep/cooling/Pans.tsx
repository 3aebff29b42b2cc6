'use client';

import type { LotState } from '../../../core/keep/lot';
import type { House } from '../../../core/kitchen/house';
import { useSay } from '../../shared/hooks/useSay';

/** What it stands in, drawn to scale from the side with the soup in it. */
export function Pans({ house, state, mm }: { house: House; state: LotState; mm: number }) {
  const say = useSay();
  const { container } = state;
  const pan = container.kind === 'pans' ? house.keeping.pans.find((p) => p.id === container.pan) : null;
  const vessel = container.kind === 'pot' ? house.vessels.find((v) => v.id === container.vessel) : null;
  const [wide, high] = pan
    ? [pan.widthMm, pan.depthMm]
    : vessel
      ? [vessel.diameterMm, vessel.heightMm]
      : [0, 0];
  if (wide === 0) return null;
  const count = container.kind === 'pans' ? Math.min(6, container.count) : 1;
  const gap = wide * 0.12;
  const box = count * wide + (count - 1) * gap + 12;
  return (
    <figure className="flex items-center gap-5 px-5 pb-3">
      <svg
        aria-hidden="true"
        viewBox={`-6 -4 ${box} ${high + 12}`}
        style={{ height: Math.min(92, Math.max(34, high * 0.34)) }}
        className="max-w-[60%] shrink-0"
        preserveAspectRatio="xMinYMid meet"
      >
        {Array.from({ length: count }, (_, n) => {
          const x = n * (wide + gap);
          return (
            <g key={x}>
              <rect
                x={x}
                y={high - Math.min(high, mm)}
                width={wide}
                height={Math.min(high, mm)}
                className="fill-soup"
              />
              <path
                d={`M${x} 0 V${high} H${x + wide} V0`}
                className="fill-none stroke-ink"
                strokeWidth={Math.max(6, box / 140)}
              />
            </g>
          );
        })}
      </svg>
      <figcaption className="text-[16px] text-quiet leading-tight">
        {container.kind === 'pans'
          ? say(
              '{count, plural, one {one} other {#}} × {pan}, {mm} mm of soup in each, to scale{lid, select, yes {, covered} other {, uncovered until cold}}',
              {
                count: container.count,
                pan: pan?.name ?? '',
                mm: Math.round(mm),
                lid: state.lid ? 'yes' : 'no',
              },
            )
          : say('{pot}, {mm} mm of soup in it, to scale', { pot: vessel?.name ?? '', mm: Math.round(mm) })}
      </figcaption>
    </figure>
  );
}
