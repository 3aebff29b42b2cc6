import { degrees, type Show } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';

const WIDTH = 640;
const LEFT = 16;
const RIGHT = 24;
const LINE = 44;

type Props = {
  /** °C of the bowl before the first ladle, and after each. */
  readonly startsAt: number;
  readonly ladles: readonly number[];
  readonly done: number;
  /** Where the bowl goes back, where the pot is to come to, and where it is never to be. */
  readonly warmTo: number;
  readonly to: number;
  readonly never: number | null;
  readonly show: Show;
};

/** The way of a liaison from cold to set, as a thermometer lying down: each ladle a mark, the stop line in tomato. */
export function TemperScale({ startsAt, ladles, done, warmTo, to, never, show }: Props) {
  const say = useSay();
  const low = Math.min(0, startsAt - 5);
  const high = Math.max(to, never ?? 0) + 6;
  const x = (c: number): number => LEFT + ((c - low) / (high - low)) * (WIDTH - LEFT - RIGHT);
  const here = done > 0 ? (ladles[Math.min(done, ladles.length) - 1] ?? startsAt) : startsAt;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 86`}
      role="img"
      aria-label={say(
        'The bowl from {startsAt}, back in the pot at {warmTo}, warmed to {to}{hasStop, select, yes {, never {stop}} other {}}',
        {
          startsAt: degrees(startsAt, show),
          warmTo: degrees(warmTo, show),
          to: degrees(to, show),
          hasStop: never === null ? 'no' : 'yes',
          stop: { celsius: never ?? 0 },
        },
      )}
      className="mt-2 w-full max-w-180"
    >
      <rect
        x={x(low)}
        y={LINE - 9}
        width={x(high) - x(low)}
        height={18}
        rx={9}
        fill="var(--surface)"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <rect
        x={x(low) + 4}
        y={LINE - 5}
        width={Math.max(0, x(here) - x(low) - 4)}
        height={10}
        rx={5}
        fill="var(--butter)"
      />
      {ladles.map((c, n) => (
        <circle
          key={c}
          cx={x(c)}
          cy={LINE}
          r={9}
          fill={n < done ? 'var(--ink)' : 'var(--surface)'}
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      ))}
      <path
        d={`M${x(warmTo)} ${LINE - 22} V${LINE + 16}`}
        stroke="var(--ink)"
        strokeWidth="2.5"
        strokeDasharray="5 4"
      />
      <text x={x(warmTo)} y={16} fontSize="16" textAnchor="end" fill="var(--ink)">
        {say('back at {warmTo}', { warmTo: degrees(warmTo, show) })}
      </text>
      <path d={`M${x(to)} ${LINE - 14} V${LINE + 22}`} stroke="var(--ink)" strokeWidth="2.5" />
      <text x={x(to) - 4} y={82} fontSize="16" textAnchor="end" fill="var(--ink)">
        {say('warm to {to}', { to: degrees(to, show) })}
      </text>
      {never !== null && (
        <>
          <path d={`M${x(never)} ${LINE - 24} V${LINE + 24}`} stroke="var(--tomato)" strokeWidth="6" />
          <text x={WIDTH - 2} y={16} fontSize="17" fontWeight="700" textAnchor="end" fill="var(--tomato)">
            {say('stop: never {never}', { never: degrees(never, show) })}
          </text>
        </>
      )}
    </svg>
  );
}
