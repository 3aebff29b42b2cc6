'use client';

import { Check, Printer } from 'lucide-react';
import { term } from '../../core/message/term';
import { RULES } from '../../core/safety/rules';
import type { AllergenSheet } from '../../core/service/allergens';
import { longDay } from '../../core/service/words/dayWords';
import { BY_THE_LIST } from '../../core/words/allergens';
import { useSay } from '../shared/hooks/useSay';
import { Scroll } from '../shared/Scroll';
import { PRIMARY } from '../shared/styles';

/** The day’s soups down, allergens across, to be read from the pass: on paper, or on a screen of its own. */
export function PrintedAllergens({ sheet }: { readonly sheet: AllergenSheet }) {
  const say = useSay();
  const { name: set, of } = RULES[sheet.rule];
  return (
    <Scroll label={say('Allergens for the pass')} className="paper h-full overflow-auto print:h-auto">
      <div className="mx-auto max-w-280 px-6 py-5 print:max-w-none print:p-0">
        <header className="flex items-start gap-4 border-ink border-b-2 pb-2">
          <div className="flex-1">
            <h1 className="font-bold text-[32px] leading-tight">
              {say('Allergens, {name}', { name: sheet.name })}
            </h1>
            <p className="text-[18px]">
              {say('{day}. By what {set}, {of}, asks to be declared.', { day: longDay(sheet.day), set, of })}
            </p>
          </div>
          <button type="button" onClick={() => window.print()} className={`${PRIMARY} print:hidden`}>
            <Printer size={22} aria-hidden /> {say('Print')}
          </button>
        </header>
        <table className="mt-4 w-full border-collapse text-center">
          <caption className="sr-only">{say('Soups and their allergens')}</caption>
          <thead>
            <tr className="border-ink border-b-2 align-bottom">
              <th scope="col" className="p-2 text-left text-[18px]">
                {say('Soup')}
              </th>
              {sheet.declared.map((a) => (
                <th key={a} scope="col" className="h-36 p-1 align-bottom text-[17px]">
                  <span className="inline-block rotate-180 [writing-mode:vertical-rl]">{say(term(a))}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sheet.soups.map((s) => (
              <tr key={s.key} className="border-rule border-b-2">
                <th scope="row" className="p-2 text-left text-[22px] leading-tight">
                  {s.name}
                  <span className="block font-normal text-[15px] text-quiet">
                    {s.cooked ? say('by what went in') : say('as it is planned')}
                  </span>
                </th>
                {sheet.declared.map((a) => (
                  <td key={a} className="border-rule border-l p-1">
                    {s.allergens.includes(a) ? (
                      <span className="grid place-items-center bg-ink py-2 text-surface">
                        <Check
                          size={30}
                          strokeWidth={4}
                          aria-label={say('{soup} has {allergen}', { soup: s.name, allergen: term(a) })}
                        />
                      </span>
                    ) : (
                      <span aria-hidden className="text-quiet">
                        –
                      </span>
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-4 text-[17px]">{say(BY_THE_LIST)}</p>
      </div>
    </Scroll>
  );
}
