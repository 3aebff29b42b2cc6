'use client';

import { capital } from '../../../core/units/shown/format';
import '../../../core/food/load';
import { CircleAlert, CircleCheck } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { type RecipeDraft, whenFor } from '../../../core/formats/draft/draft';
import { WHENS } from '../../../core/formats/draft/draftSteps';
import { term } from '../../../core/message/term';
import { ask, problemWords, type ToldProblem } from '../../device/line/api';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { IngredientField } from '../../shared/form/IngredientField';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { handOver } from '../handOver';
import { amountProblem, ingredientProblem, type Line } from './line';

/** Someone else's recipe, line by line: what was read, what is in doubt, and when each thing goes in. */
export function Review({ draft, onBack }: { draft: RecipeDraft; onBack: () => void }) {
  const say = useSay();
  const router = useRouter();
  const [name, setName] = useState(draft.name);
  const [open, setOpen] = useState({ dose: true, liquid: true });
  const [lines, setLines] = useState<readonly Line[]>(() =>
    draft.lines.map((l) => ({
      text: l.text,
      ingredient: l.ingredient ?? '',
      amount: l.amount ?? '',
      prep: l.prep,
      when: l.when,
      doubts: l.doubts,
      seen: l.doubts.length === 0,
    })),
  );
  const [problems, setProblems] = useState<readonly ToldProblem[]>([]);
  const [busy, setBusy] = useState(false);
  const change = (n: number, to: Partial<Line>) =>
    setLines((all) => all.map((l, i) => (i === n ? { ...l, ...to } : l)));

  const wrong = lines.findIndex((l) => amountProblem(l) !== undefined || ingredientProblem(l) !== undefined);
  const unseen = lines.filter((l) => !l.seen && l.when !== 'left out').length;
  const thickener = lines.find((l) => l.when === 'thickener' && isIngredient(l.ingredient));
  const hasLiquid = lines.some((l) => l.when === 'liquid');

  const make = async () => {
    if (wrong !== -1) {
      const l = lines[wrong];
      document
        .getElementById(l && ingredientProblem(l) ? `line-${wrong}-what` : `line-${wrong}-amount`)
        ?.focus();
      return;
    }
    setBusy(true);
    const answer = await ask('POST /api/drafts', {
      body: {
        name,
        instructions: draft.instructions,
        open: { dose: open.dose && thickener !== undefined, liquid: open.liquid && hasLiquid },
        lines: lines
          .filter((l) => l.when !== 'left out')
          .map(({ ingredient: id, amount, prep, when }) => ({ ingredient: id, amount, prep, when })),
      },
    });
    setBusy(false);
    if (!answer.ok) {
      setProblems(answer.problems);
      return;
    }
    handOver(answer.body.body);
    router.push('/recipes/new?handed=1');
  };

  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
        <h1 className="mr-auto font-bold text-[27px] leading-tight">
          {say.rich(
            'Look at each line<part>{unseen, select, yes {Every line was read with certainty or looked at.} other {{unseen2, plural, one {# line is} other {# lines are}} in doubt.}}{yieldText}</part>',
            {
              part: (text) => <span className="block font-normal text-[17px] text-quiet">{text}</span>,
              unseen: unseen === 0 ? 'yes' : 'no',
              unseen2: unseen,
              yieldText:
                draft.yieldText &&
                say(' It says it makes {yieldText}; the litres come from the model.', {
                  yieldText: draft.yieldText,
                }),
            },
          )}
        </h1>
        <button type="button" className={BUTTON} onClick={onBack}>
          {say('Another file')}
        </button>
      </header>
      <div className="min-h-0 flex-1 overflow-y-auto px-5 py-4">
        <div className="grid grid-cols-[1fr_auto] items-end gap-5 max-[1100px]:grid-cols-1">
          <Field
            id="draft-name"
            label={say('Name')}
            value={name}
            maxLength={80}
            onChange={(e) => setName(e.target.value)}
          />
          <fieldset className="flex flex-wrap gap-x-6">
            <legend className="font-bold">{say('When it is planned, work out')}</legend>
            <Tick
              id="open-dose"
              label={
                thickener
                  ? say('how much {name}', { name: ingredient(thickener.ingredient).name.toLowerCase() })
                  : say('the dose (no thickener here)')
              }
              checked={open.dose && thickener !== undefined}
              disabled={!thickener}
              onChange={(e) => setOpen((o) => ({ ...o, dose: e.target.checked }))}
            />
            <Tick
              id="open-liquid"
              label={say('how much liquid')}
              checked={open.liquid && hasLiquid}
              disabled={!hasLiquid}
              onChange={(e) => setOpen((o) => ({ ...o, liquid: e.target.checked }))}
            />
          </fieldset>
        </div>
        {problems.length > 0 && (
          <div
            role="alert"
            className="mt-3 rounded-sm border-2 border-tomato bg-surface p-3 font-bold text-tomato"
          >
            {problems.map((p) => (
              <p key={`${p.field}${say.either(p.given)}`}>
                {p.field}: {say(problemWords([p]))}
              </p>
            ))}
          </div>
        )}
        <ol className="mt-4 grid gap-2" aria-label={say('Lines')}>
          {lines.map((l, n) => {
            const id = `line-${n}`;
            const out = l.when === 'left out';
            const doubtful = !l.seen && !out;
            return (
              <li
                key={id}
                className={`rounded-sm border-2 bg-surface px-4 py-2 ${doubtful ? 'border-tomato' : 'border-ink'}`}
              >
                <div className="grid grid-cols-[1.3fr_140px_1.2fr_1fr_190px] items-start gap-2 max-[1100px]:grid-cols-2">
                  <p className="flex min-h-14 items-center gap-2 leading-tight max-[1100px]:col-span-full">
                    {doubtful ? (
                      <CircleAlert size={22} aria-hidden className="shrink-0 text-tomato" />
                    ) : (
                      <CircleCheck size={22} aria-hidden className="shrink-0 text-chive" />
                    )}
                    <span className={out ? 'text-quiet line-through' : 'font-bold'}>{l.text}</span>
                  </p>
                  <Field
                    id={`${id}-amount`}
                    label={say('Amount of line {n}', { n: n + 1 })}
                    hideLabel
                    placeholder="250 g"
                    value={l.amount}
                    disabled={out}
                    onChange={(e) => change(n, { amount: e.target.value, seen: true })}
                    problem={say.maybe(amountProblem(l))}
                    className="figures disabled:opacity-50"
                  />
                  <IngredientField
                    id={`${id}-what`}
                    label={say('Ingredient of line {n}', { n: n + 1 })}
                    hideLabel
                    value={l.ingredient}
                    onChange={(next) => change(n, { ingredient: next, when: whenFor(next), seen: true })}
                    problem={say.maybe(ingredientProblem(l))}
                  />
                  <Field
                    id={`${id}-prep`}
                    label={say('How line {n} is prepared', { n: n + 1 })}
                    hideLabel
                    placeholder={say('prepared how')}
                    value={l.prep}
                    disabled={out}
                    onChange={(e) => change(n, { prep: e.target.value })}
                    className="disabled:opacity-50"
                  />
                  <Pick
                    id={`${id}-when`}
                    label={say('When line {n} goes in', { n: n + 1 })}
                    hideLabel
                    value={l.when}
                    onChange={(e) =>
                      change(n, { when: WHENS.find((w) => w === e.target.value) ?? l.when, seen: true })
                    }
                  >
                    {WHENS.map((w) => (
                      <option key={w} value={w}>
                        {say(term(w))}
                      </option>
                    ))}
                  </Pick>
                </div>
                {doubtful && (
                  <p className="flex flex-wrap items-center justify-between gap-3 pt-2 text-tomato">
                    <span>{l.doubts.map((d) => capital(say(d))).join('. ')}.</span>
                    <button
                      type="button"
                      className={BUTTON}
                      aria-label={say('Line {n} is right', { n: n + 1 })}
                      onClick={() => change(n, { seen: true })}
                    >
                      {say('It is right')}
                    </button>
                  </p>
                )}
              </li>
            );
          })}
        </ol>
        {draft.instructions.length > 0 && (
          <section className="mt-4">
            <h2 className="font-bold">{say('Its instructions, from which times are taken')}</h2>
            <ol className="list-decimal pl-6">
              {draft.instructions.map((t) => (
                <li key={t}>{t}</li>
              ))}
            </ol>
          </section>
        )}
      </div>
      <footer className="flex shrink-0 items-stretch border-ink border-t-2 bg-surface">
        <p className="flex flex-1 items-center px-5 py-2 leading-tight" role="status">
          {unseen > 0
            ? say('Look at the lines in doubt: mend them, or say that they are right.')
            : wrong !== -1
              ? say('A line lacks its amount or ingredient.')
              : say('Next it opens in the editor, with what it comes to beside.')}
        </p>
        <button
          type="button"
          disabled={busy || unseen > 0}
          onClick={make}
          className={`min-h-18 px-8 text-[22px] ${PRIMARY} rounded-none! border-y-0! border-r-0!`}
        >
          {busy ? say('Making it …') : say('Make the recipe')}
        </button>
      </footer>
    </div>
  );
}
