'use client';

import { Download, Printer } from 'lucide-react';
import type { SpreadSheet } from '../../core/flow/readings/sheet';
import { term } from '../../core/message/term';
import { degrees } from '../../core/units/shown/show';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Link } from '../shared/Link';
import { Scroll } from '../shared/Scroll';
import { BUTTON, PRIMARY } from '../shared/styles';

/** The line-spread sheet, in millimetres on paper; what is printed is the sheet alone. */
export function LineSpreadView({ sheet }: { sheet: SpreadSheet }) {
  const say = useSay();
  const show = useShow();
  return (
    <Scroll label={say('Line-spread sheet')} className="paper h-full overflow-y-auto print:h-auto">
      <header className="flex flex-wrap items-center gap-3 border-ink border-b-2 px-5 py-3 print:hidden">
        <h1 className="mr-auto font-bold text-[27px] leading-tight">
          {say.rich(
            'Line-spread sheet<part>Print at 100 %, check the 100 mm line with a ruler, lay it under glass or film.</part>',
            { part: (text) => <span className="block font-normal text-[17px] text-quiet">{text}</span> },
          )}
        </h1>
        <Link href="/check" className={BUTTON}>
          {say('Back to Check')}
        </Link>
        <a href="/api/line-spread?paper=LETTER" className={BUTTON}>
          <Download size={20} aria-hidden /> {say('PDF, Letter')}
        </a>
        <a href="/api/line-spread?paper=A4" className={BUTTON}>
          <Download size={20} aria-hidden /> {say('PDF, A4')}
        </a>
        <button type="button" onClick={() => window.print()} className={PRIMARY}>
          <Printer size={22} aria-hidden /> {say('Print')}
        </button>
      </header>
      <div className="mx-auto w-[194mm] max-w-full py-4 print:m-0 print:p-0">
        <Rings sheet={sheet} />
        <p className="mt-2">
          {say(
            'Ring on the cross, {ml} of soup at {celsius} in it. Lift it straight up; after {seconds} s read the radius, mm, on four sides.',
            {
              ml: { millilitres: sheet.ml, marked: true },
              celsius: degrees(sheet.celsius, show),
              seconds: sheet.seconds,
            },
          )}
        </p>
        <p className="figures mt-1 flex flex-wrap gap-x-6">
          {sheet.bands.map((b) => (
            <span key={b.band}>
              {say(term(b.band))} {b.from}–{b.to}
            </span>
          ))}
        </p>
        <svg
          viewBox="0 0 104 8"
          width="104mm"
          height="8mm"
          role="img"
          aria-label={say('A line of 100 mm')}
          className="mt-2"
        >
          <path d="M2 4 H102 M2 1 V7 M102 1 V7" stroke="var(--ink)" strokeWidth="0.5" />
        </svg>
        <p className="text-[15px]">{say('100 mm, to check the scale with a ruler')}</p>
      </div>
    </Scroll>
  );
}

function Rings({ sheet }: { sheet: SpreadSheet }) {
  const say = useSay();
  return (
    <svg
      viewBox="-97 -97 194 194"
      width="194mm"
      height="194mm"
      role="img"
      aria-label={say('Rings from {from} to {to} mm', {
        from: sheet.rings[0]?.radius ?? 0,
        to: sheet.rings.at(-1)?.radius ?? 0,
      })}
      className="max-w-full"
    >
      {sheet.rings.map(({ radius, labelled }) => (
        <g key={radius}>
          <circle r={radius} fill="none" stroke="var(--ink)" strokeWidth={labelled ? 0.35 : 0.15} />
          {labelled &&
            [-1, 1].map((side) => (
              <text key={side} x={side * radius} y="4" fontSize="3.4" textAnchor="middle" fill="var(--ink)">
                {radius}
              </text>
            ))}
        </g>
      ))}
      <path d="M-97 0 H97 M0 -97 V97" stroke="var(--quiet)" strokeWidth="0.15" />
    </svg>
  );
}
