'use client';

import { clsx } from 'clsx';
import { Printer } from 'lucide-react';
import { useId } from 'react';
import type { PlanSheet } from '../../core/formats/sheet';
import { useSay } from '../shared/hooks/useSay';
import { Scroll } from '../shared/Scroll';
import { PRIMARY } from '../shared/styles';

/** The plan as it prints: dark on white whatever the theme, without the views around it. */
export function PrintedPlan({ sheet }: { sheet: PlanSheet }) {
  const say = useSay();
  return (
    <Scroll label={say('Plan on paper')} className="paper h-full overflow-y-auto print:h-auto">
      {sheet.first && <Page sheet={sheet.first} />}
      <Page sheet={sheet} print />
    </Scroll>
  );
}

/** One plan on paper; a stock made for it has a page of its own before it. */
function Page({ sheet, print = false }: { sheet: PlanSheet; print?: boolean }) {
  const say = useSay();
  const id = useId();
  const [Title, Part] = print ? (['h1', 'h2'] as const) : (['h2', 'h3'] as const);
  return (
    <div
      className={clsx(
        'mx-auto max-w-245 px-6 py-5 print:max-w-none print:p-0',
        !print && 'print:break-after-page',
      )}
    >
      <header className="flex items-start gap-4 border-ink border-b-2 pb-3">
        <div className="flex-1">
          <Title className="font-bold text-[30px] leading-tight">{sheet.title}</Title>
          <p className="text-[18px]">{sheet.order}</p>
          {sheet.beside.map((words) => (
            <p key={words}>{words}</p>
          ))}
          <p className="text-quiet">{sheet.fire}</p>
        </div>
        {print && (
          <button type="button" onClick={() => window.print()} className={`${PRIMARY} print:hidden`}>
            <Printer size={22} aria-hidden /> {say('Print')}
          </button>
        )}
      </header>
      <div className="mt-3 grid grid-cols-1 gap-6 min-[900px]:grid-cols-[44fr_56fr] print:grid-cols-[44fr_56fr]">
        <section aria-labelledby={`${id}-weigh`}>
          <Part id={`${id}-weigh`} className="font-bold text-quiet">
            {say('Weigh out, in the order you need it')}
          </Part>
          <ul>
            <Lines sheet={sheet} />
          </ul>
        </section>
        <section aria-labelledby={`${id}-clock`}>
          <Part id={`${id}-clock`} className="font-bold text-quiet">
            {say('By the clock')}
          </Part>
          <ol>
            <Steps sheet={sheet} />
          </ol>
        </section>
      </div>
      <ul className="mt-3 text-[15px]">
        {sheet.bowl.map((b) => (
          <li key={b}>{say('For the bowl: {what}', { what: b })}</li>
        ))}
        {sheet.cautions.map((c) => (
          <li key={c}>
            <b aria-hidden>! </b>
            {c}
          </li>
        ))}
      </ul>
      <p className="mt-2 text-quiet text-[14px]">
        {say(
          'Doses are predictions: taste and look. The local food code and those responsible for it decide what is safe.',
        )}
      </p>
    </div>
  );
}

function Lines({ sheet }: { readonly sheet: PlanSheet }) {
  const say = useSay();
  return sheet.lines.map((l, n) => {
    const key = `${n} ${l.name}`;
    return (
      <li key={key} className="flex items-center gap-2 border-rule border-b py-1 print:break-inside-avoid">
        <span aria-hidden className="size-5 shrink-0 border-2 border-ink" />
        <span
          className={`figures w-26 shrink-0 whitespace-nowrap text-right font-bold text-[21px] ${l.dose ? 'bg-butter text-on-butter' : ''}`}
        >
          {l.figure}
          <span className="ml-0.5 text-[15px]">{l.unit}</span>
        </span>
        <span className="leading-tight">
          <b>{l.name}</b> {l.dose && say('(the dose)')}
          <span className="block text-quiet text-[14px]">{l.aside}</span>
        </span>
      </li>
    );
  });
}

function Steps({ sheet }: { readonly sheet: PlanSheet }) {
  const say = useSay();
  return sheet.steps.map((s, n) => {
    const key = `${n} ${s.title}`;
    return (
      <li key={key} className="flex gap-3 border-rule border-b py-1 print:break-inside-avoid">
        <span className="figures w-14 shrink-0 font-bold text-[19px]">{s.at}</span>
        <span className="leading-tight">
          <b>{s.title}</b>
          {s.takes && `, ${s.takes}`}
          <span className="block text-[15px]">{s.details}</span>
          {s.look && (
            <span className="block text-quiet text-[14px]">{say('Look for {look}', { look: s.look })}</span>
          )}
        </span>
      </li>
    );
  });
}
