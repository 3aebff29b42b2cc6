import type { FlowTestMethod } from '../shared/flowTests';
import { useSay } from '../shared/hooks/useSay';

const LINE = {
  fill: 'none',
  stroke: 'var(--ink)',
  strokeWidth: 4,
  strokeLinecap: 'round',
  strokeLinejoin: 'round',
} as const;

/** The test, drawn: what is held where, and what is read. */
export function Drawing({ draws }: { draws: FlowTestMethod['draws'] }) {
  const say = useSay();
  return (
    <svg viewBox="0 0 200 150" aria-hidden="true" className="h-full w-full">
      {draws === 'cup' && (
        <>
          <path d="M58 22 H142 L134 74 L104 96 V104 H96 V96 L66 74 Z" fill="var(--soup)" />
          <path d="M54 22 H146 M58 22 L66 74 L96 96 V106 M142 22 L134 74 L104 96 V106" {...LINE} />
          <path
            d="M100 106 C100 118 100 122 99 130"
            stroke="var(--soup)"
            strokeWidth="7"
            fill="none"
            strokeLinecap="round"
          />
          <path d="M99 139 v6" stroke="var(--soup)" strokeWidth="6" strokeLinecap="round" />
          <path d="M122 120 h34" {...LINE} strokeWidth={2} strokeDasharray="5 5" />
          <text x="126" y="114" fontSize="15" fill="var(--ink)">
            {say('breaks')}
          </text>
        </>
      )}
      {draws === 'ring' && (
        <>
          {[26, 46, 66].map((r) => (
            <ellipse key={r} cx="100" cy="104" rx={r * 1.25} ry={r * 0.5} {...LINE} strokeWidth={1.5} />
          ))}
          <ellipse cx="100" cy="104" rx="64" ry="25" fill="var(--soup)" />
          <path d="M72 56 v-30 a28 10 0 0 1 56 0 v30" {...LINE} />
          <ellipse cx="100" cy="56" rx="28" ry="10" {...LINE} />
          <path d="M100 84 v-22 m-7 8 l7 -8 l7 8" {...LINE} strokeWidth={3} />
          <path d="M100 104 H164" {...LINE} strokeWidth={3} />
          <text x="170" y="109" fontSize="15" fill="var(--ink)">
            {say('r')}
          </text>
        </>
      )}
      {draws === 'spoon' && (
        <>
          <path d="M100 8 V60" {...LINE} strokeWidth={7} />
          <ellipse cx="100" cy="92" rx="24" ry="34" fill="var(--soup)" stroke="var(--ink)" strokeWidth="4" />
          <path
            d="M100 128 c-5 8 -4 12 0 13 c4 -1 5 -5 0 -13"
            fill="var(--soup)"
            stroke="var(--ink)"
            strokeWidth="2"
          />
          <path d="M146 58 V126 m-6 -8 l6 8 l6 -8 M146 58 m-6 8 l6 -8 l6 8" {...LINE} strokeWidth={2.5} />
          <text x="158" y="97" fontSize="15" fill="var(--ink)">
            65
          </text>
        </>
      )}
      {draws === 'trough' && (
        <>
          <path d="M20 92 H60 V112 H20 Z M60 104 C90 104 110 106 128 112 H60 Z" fill="var(--soup)" />
          <path d="M18 60 V114 H186" {...LINE} />
          <path d="M60 48 V82 m-7 -24 l7 -10 l7 10" {...LINE} strokeWidth={3} />
          <path d="M20 128 H128 m-8 -6 l8 6 l-8 6" {...LINE} strokeWidth={2.5} />
        </>
      )}
      {draws === 'syringe' && (
        <>
          <path d="M84 60 H116 V108 L104 118 V130 H96 V118 L84 108 Z" fill="var(--soup)" />
          <path d="M76 14 H124 M84 14 V108 L96 118 V130 M116 14 V108 L104 118 V130" {...LINE} />
          {[34, 52, 70, 88].map((y) => (
            <path key={y} d={`M84 ${y} h10`} {...LINE} strokeWidth={2} />
          ))}
          <text x="126" y="64" fontSize="15" fill="var(--ink)">
            {say('left')}
          </text>
        </>
      )}
    </svg>
  );
}
