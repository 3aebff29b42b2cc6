'use client';

import { CircleAlert, CircleCheck, CircleSlash } from 'lucide-react';
import { ingredient } from '../../../core/food/catalogue';
import { whenFor } from '../../../core/formats/draft/draft';
import { WHENS } from '../../../core/formats/draft/draftSteps';
import { term } from '../../../core/message/term';
import { capital } from '../../../core/units/shown/format';
import { Field, Pick } from '../../shared/form/Field';
import { IngredientField } from '../../shared/form/IngredientField';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';
import { amountProblem, ingredientProblem, type Line } from './line';

type Props = {
  readonly line: Line;
  /** Its number, from 0. */
  readonly n: number;
  readonly onChange: (to: Partial<Line>) => void;
};

/** One line: as it stood, what it was read as, and what is in doubt, settled by one tap. */
export function LineRow({ line: l, n, onChange }: Props) {
  const say = useSay();
  const out = l.when === 'left out';
  const doubtful = !l.seen;
  const [Mark, look] = doubtful
    ? ([CircleAlert, 'text-tomato'] as const)
    : out
      ? ([CircleSlash, 'text-quiet'] as const)
      : ([CircleCheck, 'text-chive'] as const);
  return (
    <li className={`rounded-sm border-2 bg-surface px-4 py-2 ${doubtful ? 'border-tomato' : 'border-ink'}`}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 pb-1.5">
        <Mark size={22} aria-hidden className={`shrink-0 ${look}`} />
        <p className="min-w-44 flex-1 leading-tight">
          <span className={out ? 'text-quiet line-through' : 'font-bold'}>{l.text}</span>
          {doubtful && (
            <span className="block text-[16px] text-tomato">
              {l.doubts.map((d) => capital(say(d))).join('. ')}.
            </span>
          )}
        </p>
        {doubtful && <Settling line={l} n={n} onChange={onChange} />}
      </div>
      <LineFields line={l} n={n} onChange={onChange} />
    </li>
  );
}

/** One tap settles what is in doubt: it is right, it is something near, it is left out. */
function Settling({ line: l, n, onChange }: Props) {
  const say = useSay();
  return (
    <>
      {l.when !== 'left out' && (
        <button
          type="button"
          className={BUTTON}
          aria-label={say('Line {n} is right', { n: n + 1 })}
          onClick={() => onChange({ seen: true })}
        >
          {say('It is right')}
        </button>
      )}
      {l.ingredient === '' &&
        l.near.map((near) => (
          <button
            key={near}
            type="button"
            className={BUTTON}
            onClick={() => onChange({ ingredient: near, when: whenFor(near), seen: true })}
          >
            {say('Take {name}', { name: { within: term(ingredient(near).name) } })}
          </button>
        ))}
      <button
        type="button"
        className={BUTTON}
        aria-label={say('Leave line {n} out', { n: n + 1 })}
        onClick={() => onChange({ when: 'left out', seen: true })}
      >
        {say('Leave it out')}
      </button>
    </>
  );
}

/** What the line was read as, to be put right. */
function LineFields({ line: l, n, onChange }: Props) {
  const say = useSay();
  const id = `line-${n}`;
  const out = l.when === 'left out';
  return (
    <div className="grid grid-cols-[130px_1.2fr_1fr_170px] items-start gap-2 max-[820px]:grid-cols-2">
      <Field
        id={`${id}-amount`}
        label={say('Amount of line {n}', { n: n + 1 })}
        hideLabel
        placeholder="250 g"
        value={l.amount}
        onChange={(e) =>
          onChange({
            amount: e.target.value,
            seen: true,
            ...(out && e.target.value !== '' && l.ingredient !== '' && { when: whenFor(l.ingredient) }),
          })
        }
        problem={say.maybe(amountProblem(l))}
        className="figures"
      />
      <IngredientField
        id={`${id}-what`}
        label={say('Ingredient of line {n}', { n: n + 1 })}
        hideLabel
        value={l.ingredient}
        onChange={(next) => onChange({ ingredient: next, when: whenFor(next), seen: true })}
        problem={say.maybe(ingredientProblem(l))}
      />
      <Field
        id={`${id}-prep`}
        label={say('How line {n} is prepared', { n: n + 1 })}
        hideLabel
        placeholder={say('prepared how')}
        value={l.prep}
        disabled={out}
        onChange={(e) => onChange({ prep: e.target.value })}
        className="disabled:opacity-50"
      />
      <Pick
        id={`${id}-when`}
        label={say('When line {n} goes in', { n: n + 1 })}
        hideLabel
        value={l.when}
        onChange={(e) => onChange({ when: WHENS.find((w) => w === e.target.value) ?? l.when, seen: true })}
      >
        {WHENS.map((w) => (
          <option key={w} value={w}>
            {say(term(w))}
          </option>
        ))}
      </Pick>
    </div>
  );
}
