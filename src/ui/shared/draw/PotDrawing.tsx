import { memo } from 'react';
import { depthOf, FILL_LIMIT, rimVolume, type Vessel, volumeAt } from '../../../core/heat/vessel';
import type { Message } from '../../../core/message/message';
import type { Piece } from '../../../core/pot/pot';
import { type Show, volumeWords } from '../../../core/units/shown/show';
import { useSay } from '../hooks/useSay';
import { spread } from './spread';

export type DrawnLevel = {
  readonly label: Message | string;
  readonly ml: number;
  readonly kind: 'now' | 'ghost' | 'limit';
};

const WIDTH = 392;
const HEIGHT = 372;
const TOP = 16;
const WALL = 6;
const MOST_WIDE = 246;
const MOST_HIGH = HEIGHT - TOP - 46;
const LEFT = 22;
/** Garnish keeps off the ruler's figures. */
const RULER = 38;
const MOST_PIECES = 70;

/**
 * Places in the unit square, even without being in rows, and always the same for the same pot: the
 * additive sequence of the plastic number (Roberts 2018, from memory).
 */
const ACROSS = 0.7548776662466927;
const DOWN = 0.5698402909980532;
const scattered = (n: number, step: number): number => (0.5 + (n + 1) * step) % 1;

type GarnishProps = {
  /** Edge lengths in mm and shares of the pot's volume, of each kind of piece; text, so that equal garnish compares equal. */
  readonly cuts: string;
  readonly shares: string;
  readonly width: number;
  readonly depth: number;
  readonly perMm: number;
  readonly x: number;
  readonly y: number;
};

/** The pieces in the liquid: as much of its area as they have of its volume, at true size. */
const Garnish = memo(function Garnish({ cuts, shares, width, depth, perMm, x, y }: GarnishProps) {
  if (!cuts) return null;
  const kinds = shares.split(',').map(Number);
  return cuts.split(',').map((edge, k) => {
    const side = Number(edge) * perMm;
    const fill = ((kinds[k] ?? 0) * width * depth) / (side * side);
    const count = Math.max(0, Math.min(Math.round(MOST_PIECES / kinds.length), Math.round(fill)));
    return Array.from({ length: count }, (_, n) => {
      const left = x + RULER + scattered(n + k * 31, ACROSS) * (width - RULER - side * 1.5) + side * 0.25;
      const top = y + scattered(n + k * 31, DOWN) * (depth - side * 1.5) + side * 0.25;
      const turn = (scattered(n, 0.381966) - 0.5) * 60;
      const id = `${k}.${n}`;
      return (
        <rect
          key={id}
          x={left}
          y={top}
          width={side}
          height={side}
          transform={`rotate(${turn} ${left + side / 2} ${top + side / 2})`}
          fill="var(--surface)"
          stroke="var(--ink)"
          strokeWidth="1.4"
        />
      );
    });
  });
});

type Props = {
  readonly vessel: Vessel;
  readonly levels: readonly DrawnLevel[];
  readonly pieces: readonly Piece[];
  readonly show: Show;
};

/**
 * The pot in section, to true proportion, as a measuring instrument: centimetres on the left wall,
 * litres on the right, liquid and ghost levels labelled with their volumes.
 */
export function PotDrawing({ vessel, levels, pieces, show }: Props) {
  const say = useSay();
  const perMm = Math.min(MOST_WIDE / vessel.diameterMm, MOST_HIGH / vessel.heightMm);
  const width = vessel.diameterMm * perMm;
  const high = vessel.heightMm * perMm;
  const bottom = HEIGHT - 38;
  const rim = bottom - high;
  const y = (ml: number): number => bottom - Math.min(vessel.heightMm * 1.04, depthOf(vessel, ml)) * perMm;
  const now = levels.find((l) => l.kind === 'now');
  const surface = now ? y(now.ml) : bottom;
  const right = LEFT + width;
  const all: readonly DrawnLevel[] = [
    ...levels,
    { label: say('headroom line'), ml: rimVolume(vessel) * FILL_LIMIT, kind: 'limit' },
  ];
  const labels = spread(
    // Fullest first, so that marks over the rim, which fall together, stand in their order.
    all.toSorted((a, b) => b.ml - a.ml).map((l) => ({ ...l, at: y(l.ml) })),
    38,
    TOP + 8,
    bottom - 6,
  );
  const said = all.map((l) => `${say.either(l.label)} ${volumeWords(l.ml, show)}`).join(', ');

  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={say('{pot} in section: {levels}', { pot: vessel.name, levels: said })}
      className="h-full w-full"
    >
      {now && <rect x={LEFT} y={surface} width={width} height={bottom - surface} fill="var(--soup)" />}
      {now && (
        <Garnish
          cuts={pieces.map((p) => p.cut.edgeMm).join()}
          shares={pieces.map((p) => (p.g / Math.max(1, now.ml)).toFixed(2)).join()}
          width={Math.round(width)}
          depth={Math.round(bottom - surface)}
          perMm={perMm}
          x={LEFT}
          y={Math.round(surface)}
        />
      )}
      {labels.map((l) => (
        <Level key={say.either(l.label)} level={l} right={right} show={show} />
      ))}
      <path
        d={`M${LEFT - WALL / 2} ${rim} V${bottom + WALL / 2} H${right + WALL / 2} V${rim}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={WALL}
        strokeLinejoin="round"
      />
      <path
        d={`M${LEFT - WALL} ${rim + high * 0.2} h-13 v${Math.max(14, high * 0.14)} h13`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      <Ruler vessel={vessel} bottom={bottom} rim={rim} perMm={perMm} />
      <line
        x1={LEFT + width * 0.06}
        x2={right - width * 0.06}
        y1={bottom + 12}
        y2={bottom + 12}
        stroke="var(--tomato)"
        strokeWidth="4"
        strokeDasharray="14 10"
      />
      <text x={LEFT - WALL} y={HEIGHT - 3} fontSize="15" fill="var(--quiet)">
        {say('cm on the wall · {volumeAt} each · {rimVolume} to the rim', {
          volumeAt: volumeWords(volumeAt(vessel, 10), show),
          rimVolume: volumeWords(rimVolume(vessel), show),
        })}
      </text>
    </svg>
  );
}

type LevelProps = {
  /** Where it stands, and where its words are put so that none lie over each other. */
  readonly level: DrawnLevel & { readonly at: number; readonly shown: number };
  readonly right: number;
  readonly show: Show;
};

function Level({ level: l, right, show }: LevelProps) {
  const say = useSay();
  const color = l.kind === 'limit' ? 'var(--tomato)' : 'var(--ink)';
  return (
    <g>
      <line
        x1={LEFT + (l.kind === 'now' ? 0 : RULER)}
        x2={right}
        y1={l.at}
        y2={l.at}
        stroke={color}
        strokeWidth={l.kind === 'now' ? 3 : 2.5}
        strokeDasharray={l.kind === 'limit' ? '7 5' : l.kind === 'ghost' ? '2 4' : undefined}
      />
      <path
        d={`M${right + WALL + 2} ${l.at} L${right + 18} ${l.shown}`}
        stroke={color}
        strokeWidth="1.5"
        fill="none"
      />
      <text x={right + 23} y={l.shown - 3} fontSize="15" fill={color}>
        {say.either(l.label)}
      </text>
      <text x={right + 23} y={l.shown + 15} fontSize="18" fontWeight="700" fill={color} className="figures">
        {volumeWords(l.ml, show)}
      </text>
    </g>
  );
}

type RulerProps = {
  readonly vessel: Vessel;
  readonly bottom: number;
  readonly rim: number;
  readonly perMm: number;
};

/** Centimetres on the left wall. */
function Ruler({ vessel, bottom, rim, perMm }: RulerProps) {
  const step = vessel.heightMm > 250 ? 5 : vessel.heightMm > 120 ? 2 : 1;
  const cms = Array.from({ length: Math.floor(vessel.heightMm / 10) + 1 }, (_, cm) => cm);
  return cms.map((cm) => {
    const at = bottom - cm * 10 * perMm;
    const labelled = cm > 0 && cm % step === 0 && at > rim + 6;
    return (
      <g key={cm}>
        <line
          x1={LEFT}
          x2={LEFT + (labelled ? 13 : 7)}
          y1={at}
          y2={at}
          stroke="var(--ink)"
          strokeWidth={labelled ? 2.4 : 1.2}
        />
        {labelled && (
          <text x={LEFT + 16} y={at + 5} fontSize="14" fill="var(--ink)" className="figures">
            {cm}
          </text>
        )}
      </g>
    );
  });
}
