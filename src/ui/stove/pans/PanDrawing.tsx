import type { PanNow } from '../../../core/batch/follow/pansNow';
import { depthOf } from '../../../core/heat/vessel';
import { volumeMl } from '../../../core/pot/contents/contents';

const SIDE = 44;
const WALL = 2;

/** A pan in small, its sides and its level to scale. `widest` mm is as wide as it gets. */
export function PanDrawing({ pan, widest }: { readonly pan: PanNow; readonly widest: number }) {
  const { vessel } = pan.pot;
  const per = (SIDE - 2 * WALL) / Math.max(widest, vessel.heightMm);
  const [w, h] = [Math.max(10, vessel.diameterMm * per), Math.max(5, vessel.heightMm * per)];
  // What is in it is seen, be it a spoon of fat.
  const least = pan.empty ? 0 : 3;
  const level = Math.min(h, Math.max(least, depthOf(vessel, volumeMl(pan.pot)) * per));
  const [x, y] = [(SIDE - w) / 2, SIDE - WALL - h];
  return (
    <svg viewBox={`0 0 ${SIDE} ${SIDE}`} className="size-11 shrink-0" aria-hidden>
      <rect x={x} y={SIDE - WALL - level} width={w} height={level} className="fill-butter" />
      <path
        d={`M${x} ${y} V${SIDE - WALL} H${x + w} V${y}`}
        fill="none"
        strokeWidth={2.5}
        className="stroke-ink"
      />
    </svg>
  );
}
