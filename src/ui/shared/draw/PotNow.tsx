import { depthOf, FILL_LIMIT, rimVolume, type Vessel } from '../../../core/heat/vessel';
import { type Show, volumeWords } from '../../../core/units/shown/show';
import { useSay } from '../hooks/useSay';

const WIDTH = 188;
const HEIGHT = 190;
const WALL = 5;
const FLOOR = HEIGHT - 22;

type Props = {
  readonly vessel: Vessel;
  readonly ml: number;
  /** mL it should hold at the pass. */
  readonly endMl: number;
  readonly show: Show;
};

/** The pot as it is now, to true proportion: the level, where it is to come, the headroom line, centimetres on the wall. */
export function PotNow({ vessel, ml, endMl, show }: Props) {
  const say = useSay();
  const perMm = Math.min((WIDTH - 30) / vessel.diameterMm, (FLOOR - 12) / vessel.heightMm);
  const wide = vessel.diameterMm * perMm;
  const high = vessel.heightMm * perMm;
  const left = 18 + (WIDTH - 30 - wide) / 2;
  const y = (v: number): number =>
    FLOOR - Math.min(vessel.heightMm * 1.03, depthOf(vessel, Math.max(0, v))) * perMm;
  const level = y(ml);
  const limit = y(rimVolume(vessel) * FILL_LIMIT);
  const cm = Math.floor(vessel.heightMm / 10);
  const step = cm > 25 ? 10 : cm > 12 ? 5 : 2;
  const deep = depthOf(vessel, Math.max(0, ml)) / 10;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={say('{name} now: {ml}, {deep} cm deep; {endMl} at the pass', {
        name: vessel.name,
        ml: volumeWords(ml, show),
        deep: deep.toFixed(1),
        endMl: volumeWords(endMl, show),
      })}
      className="h-full w-full"
    >
      <rect x={left} y={level} width={wide} height={FLOOR - level} fill="var(--soup)" />
      <line x1={left} x2={left + wide} y1={level} y2={level} stroke="var(--ink)" strokeWidth="3" />
      <line
        x1={left}
        x2={left + wide}
        y1={y(endMl)}
        y2={y(endMl)}
        stroke="var(--ink)"
        strokeWidth="2"
        strokeDasharray="2 4"
      />
      <line
        x1={left}
        x2={left + wide}
        y1={limit}
        y2={limit}
        stroke="var(--tomato)"
        strokeWidth="2"
        strokeDasharray="7 5"
      />
      <path
        d={`M${left - WALL / 2} ${FLOOR - high} V${FLOOR + WALL / 2} H${left + wide + WALL / 2} V${FLOOR - high}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={WALL}
        strokeLinejoin="round"
      />
      {Array.from({ length: cm }, (_, n) => n + 1).map((n) => (
        <line
          key={n}
          x1={left}
          x2={left + (n % step === 0 ? 11 : 5)}
          y1={FLOOR - n * 10 * perMm}
          y2={FLOOR - n * 10 * perMm}
          stroke="var(--ink)"
          strokeWidth={n % step === 0 ? 2 : 1}
        />
      ))}
      <Figures x={left + wide / 2 + 6} level={level} ml={ml} deep={deep} show={show} />
      <line
        x1={left + wide * 0.06}
        x2={left + wide * 0.94}
        y1={FLOOR + 10}
        y2={FLOOR + 10}
        stroke="var(--tomato)"
        strokeWidth="3"
        strokeDasharray="11 8"
      />
    </svg>
  );
}

type FiguresProps = Pick<Props, 'ml' | 'show'> & {
  readonly x: number;
  /** Where its surface is drawn: the figures stand in it, or over what is shallow. */
  readonly level: number;
  readonly deep: number;
};

function Figures({ x, level, ml, deep, show }: FiguresProps) {
  const say = useSay();
  const inside = FLOOR - level > 46;
  // Lines behind the figures are kept off them.
  const halo = {
    paintOrder: 'stroke',
    stroke: inside ? 'var(--soup)' : 'var(--ground)',
    strokeWidth: 6,
  } as const;
  return (
    <>
      <text
        x={x}
        y={inside ? level + 23 : level - 27}
        {...halo}
        fontSize="24"
        fontWeight="700"
        textAnchor="middle"
        fill="var(--ink)"
        className="figures"
      >
        {volumeWords(ml, show)}
      </text>
      <text
        x={x}
        y={inside ? level + 41 : level - 8}
        {...halo}
        fontSize="15"
        textAnchor="middle"
        fill="var(--ink)"
      >
        {say('{deep} cm deep', { deep: deep.toFixed(1) })}
      </text>
    </>
  );
}
