'use client';

import type { RecipeDraft } from '../../../core/formats/draft/draft';
import type { PotDeed } from '../../../core/formats/draft/method';
import { type Message, message } from '../../../core/message/message';
import { useSay } from '../../shared/hooks/useSay';

const DEEDS: { readonly [D in PotDeed]: Message } = {
  roast: message('roast'),
  aside: message('lift out'),
  back: message('put back'),
  fry: message('sweat or render'),
  melt: message('melt'),
  add: message('put in'),
  bring: message('heat up'),
  simmer: message('cook'),
  blend: message('blend'),
  strain: message('strain'),
  reduce: message('reduce'),
  slake: message('thicken'),
  rest: message('rest'),
  season: message('season'),
  warm: message('heat'),
  finish: message('at the end'),
};

/** A recipe as it came: its list, its method with what each sentence became, and what was taken for neither. */
export function AsItCame({ draft }: { readonly draft: RecipeDraft }) {
  const say = useSay();
  const notes = draft.source.filter((s) => s.as === 'note' || s.as === 'heading');
  return (
    <aside
      aria-label={say('As it came')}
      className="border-ink bg-surface px-5 py-4 max-[1100px]:border-t-2 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
    >
      <h2 className="font-bold text-[21px]">{say('As it came')}</h2>
      {draft.yieldText && <p className="pt-1">{draft.yieldText}</p>}
      <h3 className="pt-3 font-bold">{say('Its ingredients')}</h3>
      <ol className="list-decimal pl-7 text-[17px]">
        {draft.ingredients.map((text, n) => (
          <li key={`${n}${text}`}>{text}</li>
        ))}
      </ol>
      {draft.told.length > 0 && (
        <>
          <h3 className="pt-3 font-bold">{say('Its method, and what each sentence does')}</h3>
          <ol className="grid gap-1.5 pt-1">
            {draft.told.map(({ text, deeds, pan }, n) => (
              <li key={`${n}${text}`} className="leading-snug">
                <b className={`text-[15px] ${deeds.length > 0 ? 'text-chive' : 'text-quiet'}`}>
                  {deeds.length > 0
                    ? [...new Set(deeds)].map((d) => say(DEEDS[d])).join(' · ')
                    : say('does nothing to the pot')}
                  {pan &&
                    say(', in “{name}”{sure, select, no {: look at it} other {}}', {
                      name: pan.name,
                      sure: pan.sure ? 'yes' : 'no',
                    })}
                </b>
                <span className="block text-[17px]">{text}</span>
              </li>
            ))}
          </ol>
        </>
      )}
      {notes.length > 0 && (
        <>
          <h3 className="pt-3 font-bold">
            {say('{n, plural, one {# line} other {# lines}} taken for neither', { n: notes.length })}
          </h3>
          <ul className="text-[16px] text-quiet">
            {notes.map(({ text }, n) => (
              <li key={`${n}${text}`}>{text}</li>
            ))}
          </ul>
        </>
      )}
    </aside>
  );
}
