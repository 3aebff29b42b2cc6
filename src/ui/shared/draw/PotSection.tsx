import { FILL_LIMIT } from '../../../core/heat/vessel';

type Props = {
  readonly diameterMm: number;
  readonly heightMm: number;
  /** The tallest and widest of the kitchen's pots, so that all are drawn to one scale. */
  readonly mostMm: number;
};

const BOX = 150;

/** A pot in section, to the same scale as its neighbours, with its headroom line. */
export function PotSection({ diameterMm, heightMm, mostMm }: Props) {
  const real = diameterMm > 0 && heightMm > 0;
  const per = (BOX - 16) / Math.max(mostMm, diameterMm, heightMm, 1);
  const width = real ? diameterMm * per : 0;
  const height = real ? heightMm * per : 0;
  const left = (BOX - width) / 2;
  const bottom = BOX - 6;
  const line = bottom - height * FILL_LIMIT;
  return (
    <svg viewBox={`0 0 ${BOX} ${BOX}`} width={BOX} aria-hidden="true" className="shrink-0">
      {real && (
        <>
          <rect x={left} y={line} width={width} height={bottom - line} fill="var(--soup)" />
          <line
            x1={left}
            x2={left + width}
            y1={line}
            y2={line}
            stroke="var(--tomato)"
            strokeWidth="2"
            strokeDasharray="6 4"
          />
          <path
            d={`M${left} ${bottom - height} V${bottom} H${left + width} V${bottom - height}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="4"
            strokeLinejoin="round"
          />
        </>
      )}
    </svg>
  );
}
