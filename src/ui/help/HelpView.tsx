'use client';

import { useState } from 'react';
import { type Message, message } from '../../core/message/message';
import { Field } from '../shared/form/Field';
import { findIn } from '../shared/form/findIn';
import { useSay } from '../shared/hooks/useSay';
import { Scroll } from '../shared/Scroll';

/** What each view is for, in the order of the work, with its picture. */
const ABOUT: readonly (readonly [id: string, picture: string, name: Message, says: Message])[] = [
  [
    'plan',
    'plan-scaled',
    message('Plan'),
    message(
      'Say how much of which soup, how thick, in which pot. It says what to weigh. Every underlined word is a control; the ladder is how thick it is in the bowl.',
    ),
  ],
  [
    'compare',
    'compare',
    message('Compare'),
    message(
      'Every thickener, or every dairy to finish with, side by side for the same pot: dose, cost, what holds and what does not.',
    ),
  ],
  [
    'recipes',
    'recipes',
    message('Recipes'),
    message(
      'The house’s soups. Drop or paste a recipe as you have it: each line is shown beside what it was read as.',
    ),
  ],
  [
    'kitchen',
    'kitchen',
    message('Kitchen'),
    message(
      'Pots, burners, products and rules. A water test, an hour with plain water, makes a pot’s forecast its own. Stations lets another screen in by a code, and sets the lead’s PIN.',
    ),
  ],
  [
    'service',
    'service',
    message('Service'),
    message(
      'All soups of a day on one board: burners down, time across. Arrange finds the order; Next is the list for the line.',
    ),
  ],
  [
    'stove',
    'stove',
    message('Stove'),
    message(
      'One step fills the screen. Tap Done as it is done; a reading moves the pot, the time left and where it will land.',
    ),
  ],
  [
    'check',
    'check',
    message('Check'),
    message(
      'A cup, a funnel, a plate or a spoon says how thick it is: time it or measure it, and it becomes a figure.',
    ),
  ],
  [
    'fix',
    'fix',
    message('Fix'),
    message(
      'Say what is wrong. What can be done with what is here, in the minutes left, is tried on a copy of the pot and ranked.',
    ),
  ],
  [
    'keep',
    'keep',
    message('Keep'),
    message(
      'What is hot, what is cooling against its limits, what is on the shelf, and the record of it all.',
    ),
  ],
  [
    'log',
    'log',
    message('Log'),
    message(
      'What was cooked, where it landed, and what the house’s own flour, pots and burners are worth by its readings. Every plan counts with it.',
    ),
  ],
];

/** What is this? Each view with its picture, and the words of the house. */
export function HelpView({
  words,
}: {
  readonly words: readonly { readonly word: string; readonly means: string }[];
}) {
  const say = useSay();
  const [text, setText] = useState('');
  const shown = words.filter((w) => findIn([w.word, w.means], text));
  return (
    <Scroll label={say('Help')} className="h-full overflow-y-auto">
      <div className="mx-auto grid max-w-260 gap-6 px-5 py-5">
        <h1 className="font-bold text-[32px]">{say('What is this?')}</h1>
        {ABOUT.map(([id, picture, name, says]) => (
          <section
            key={id}
            id={id}
            aria-labelledby={`help-${id}`}
            className="grid gap-3 min-[820px]:grid-cols-[1fr_420px]"
          >
            <div>
              <h2 id={`help-${id}`} className="font-bold text-[24px]">
                {say(name)}
              </h2>
              <p className="text-[19px]">{say(says)}</p>
            </div>
            <img
              src={`/api/help/${picture}`}
              alt={say('{view}, as it looks with the demo’s kitchen', { view: name })}
              loading="lazy"
              className="w-full border-2 border-ink"
            />
          </section>
        ))}
        <section aria-labelledby="help-words" className="grid gap-3">
          <h2 id="help-words" className="font-bold text-[24px]">
            {say('Words')}
          </h2>
          <Field
            id="help-find"
            label={say('Find a word')}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <dl className="grid gap-2">
            {shown.map((w) => (
              <div key={w.word} className="border-rule border-b pb-2">
                <dt className="font-bold text-[19px]">{w.word}</dt>
                <dd>{w.means}</dd>
              </div>
            ))}
          </dl>
        </section>
      </div>
    </Scroll>
  );
}
