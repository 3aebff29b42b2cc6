import type { ReactNode } from 'react';

const INK = { stroke: 'var(--ink)', strokeWidth: 2, fill: 'none' } as const;
const BUTTER = { ...INK, fill: 'var(--butter)' } as const;
const PALE = { ...INK, fill: 'var(--surface)' } as const;

/** Dice lying in a pot, each x, y and edge. */
const dice = (of: readonly (readonly [number, number, number])[], turned = 12): ReactNode =>
  of.map(([x, y, a]) => (
    <rect
      key={`${x} ${y}`}
      x={x}
      y={y}
      width={a}
      height={a}
      transform={`rotate(${turned} ${x + a / 2} ${y + a / 2})`}
      {...PALE}
    />
  ));

/** What thickens, as it lies in the pot or goes into it. */
const INSIDE: Readonly<Record<string, ReactNode>> = {
  // A paste on the floor, liquid whisked over it.
  roux: (
    <>
      <path d="M14 62 q8 -9 16 -3 t16 -2 t16 3 v6 h-48 z" {...BUTTER} />
      <path d="M38 8 C30 30 34 40 38 52 M38 8 C46 30 42 40 38 52 M38 8 V52" {...INK} />
    </>
  ),
  dusted: (
    <>
      {dice([
        [18, 50, 12],
        [36, 52, 12],
        [52, 48, 11],
      ])}
      {[20, 28, 36, 44, 52, 58, 24, 40, 56].map((x, n) => (
        <circle key={`${x} ${n.toString()}`} cx={x} cy={10 + (n % 3) * 8} r={1.8} fill="var(--ink)" />
      ))}
    </>
  ),
  slurry: (
    <>
      <path d="M50 4 l16 4 l-4 12 l-16 -4 z" {...PALE} />
      <path d="M47 18 q-6 12 -8 34" stroke="var(--ink)" strokeWidth={4} fill="none" />
      <path d="M16 50 q10 -6 22 2 t22 0" {...INK} />
    </>
  ),
  'kneaded-butter': (
    <>
      <circle cx={26} cy={20} r={7} {...BUTTER} />
      <circle cx={44} cy={12} r={6} {...BUTTER} />
      <circle cx={50} cy={32} r={6} {...BUTTER} />
      <path d="M16 50 q10 -6 22 2 t22 0" {...INK} />
    </>
  ),
  liaison: (
    <>
      <ellipse cx={38} cy={21} rx={13} ry={17} {...PALE} />
      <circle cx={38} cy={25} r={7} {...BUTTER} />
      <path d="M38 40 v12 m-4 -5 l4 6 l4 -6" {...INK} />
    </>
  ),
  potato: dice(
    [
      [16, 46, 18],
      [40, 50, 14],
      [34, 28, 13],
      [54, 38, 10],
    ],
    -9,
  ),
  rice: (
    <>
      {[
        [20, 56, 20],
        [30, 50, 70],
        [42, 58, 0],
        [52, 52, 40],
        [26, 62, 110],
        [48, 62, 150],
      ].map(([x, y, r]) => (
        <ellipse
          key={`${x} ${y}`}
          cx={x}
          cy={y}
          rx={5}
          ry={2.2}
          transform={`rotate(${r} ${x} ${y})`}
          {...PALE}
        />
      ))}
      <path d="M18 12 h40 q-2 18 -20 18 t-20 -18 z M58 12 h14" {...INK} />
    </>
  ),
  'boiled-cream': (
    <>
      <path d="M46 6 h20 v16 h-20 z M66 12 h8" {...BUTTER} />
      <path d="M48 22 q-6 12 -10 30" stroke="var(--butter)" strokeWidth={7} fill="none" />
      <path d="M16 50 q10 -6 22 2 t22 0" {...INK} />
    </>
  ),
  puree: (
    <>
      <path d="M14 44 h48 v20 h-48 z" fill="var(--butter)" />
      <path d="M38 2 v44 M30 46 h16 l-3 10 h-10 z" {...INK} />
    </>
  ),
};

/** A school by what goes into its pot. */
export function SchoolDrawing({ id }: { id: string }) {
  return (
    <svg viewBox="0 0 76 76" aria-hidden="true" className="size-24 shrink-0">
      {INSIDE[id]}
      <path d="M10 34 v34 h56 v-34 M4 40 h6 M66 40 h6" {...INK} strokeWidth={3} />
    </svg>
  );
}
