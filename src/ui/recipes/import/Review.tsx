'use client';

import '../../../core/food/load';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { type DraftLine, linesOfDraft, type RecipeDraft } from '../../../core/formats/draft/draft';
import { ask, problemWords, type ToldProblem } from '../../device/line/api';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { handOver } from '../handOver';
import { AsItCame } from './AsItCame';
import { LineRow } from './LineRow';
import { amountProblem, ingredientProblem, type Line } from './line';

type Props = {
  readonly draft: RecipeDraft;
  readonly from: string;
  /** Names of all recipes of the file, and which of them this is. */
  readonly others: readonly string[];
  readonly at: number;
  readonly onPick: (at: number) => void;
  readonly onMade: () => void;
  readonly onBack: () => void;
};

/** Of what is not known, so many that are near are offered. */
const MOST_NEAR = 2;

const begun = (lines: readonly DraftLine[]): readonly Line[] =>
  lines.map((l) => ({
    text: l.text,
    ingredient: l.ingredient ?? '',
    amount: l.amount ?? '',
    prep: l.prep,
    when: l.when,
    doubts: l.doubts,
    near: l.ingredient === null ? l.candidates.slice(0, MOST_NEAR).map((c) => c.id) : [],
    seen: l.doubts.length === 0,
  }));

/** A draft as it is looked at: its lines, what is still in doubt, and making a recipe of it. */
function useReview({ draft, onMade }: Props) {
  const router = useRouter();
  const [name, setName] = useState(draft.name);
  const [open, setOpen] = useState({ dose: true, liquid: true });
  const [scale, setScale] = useState(0);
  const [lines, setLines] = useState(() => begun(draft.lines));
  const [problems, setProblems] = useState<readonly ToldProblem[]>([]);
  const [busy, setBusy] = useState(false);
  const change = (n: number, to: Partial<Line>) =>
    setLines((all) => all.map((l, i) => (i === n ? { ...l, ...to } : l)));

  const wrong = lines.findIndex((l) => amountProblem(l) !== undefined || ingredientProblem(l) !== undefined);
  const unseen = lines.filter((l) => !l.seen).length;
  const out = lines.filter((l) => l.when === 'left out').length;
  const thickener = lines.find((l) => l.when === 'thickener' && isIngredient(l.ingredient));
  const hasLiquid = lines.some((l) => l.when === 'liquid');

  const make = async () => {
    if (name.trim() === '') {
      document.getElementById('draft-name')?.focus();
      return;
    }
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
    onMade();
    handOver(answer.body.body);
    router.push('/recipes/new?handed=1');
  };
  return {
    name,
    setName,
    open,
    setOpen,
    scale,
    /** Its amounts by another of its columns. */
    rescale: (n: number) => {
      setScale(n);
      setLines(begun(linesOfDraft(draft.scales?.[n]?.ingredients ?? [], draft.instructions)));
    },
    lines,
    change,
    allRight: () => setLines((all) => all.map((l) => ({ ...l, seen: true }))),
    problems,
    busy,
    wrong,
    unseen,
    out,
    thickener,
    hasLiquid,
    make,
  };
}
type Reviewed = ReturnType<typeof useReview>;

/** Someone else's recipe, line by line: what was read, what is in doubt, and when each thing goes in; beside it as it came. */
export function Review(props: Props) {
  const { draft } = props;
  const say = useSay();
  const of = useReview(props);
  return (
    <div className="flex h-full flex-col">
      <Head {...props} of={of} />
      <div className="grid min-h-0 flex-1 grid-cols-1 max-[1100px]:overflow-y-auto min-[1100px]:grid-cols-[1fr_400px]">
        <div className="px-5 py-4 min-[1100px]:overflow-y-auto">
          <Named of={of} />
          {draft.scales && <Scales scales={draft.scales} of={of} />}
          <Refused problems={of.problems} />
          <ol className="mt-4 grid gap-2" aria-label={say('Lines')}>
            {of.lines.map((l, n) => (
              <LineRow key={n} line={l} n={n} onChange={(to) => of.change(n, to)} />
            ))}
          </ol>
        </div>
        <AsItCame draft={draft} />
      </div>
      <Foot of={of} />
    </div>
  );
}

type Part = { readonly of: Reviewed };

function Head({ of: { lines, out, unseen, allRight }, from, others, at, onPick, onBack }: Props & Part) {
  const say = useSay();
  return (
    <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
      <h1 className="mr-auto font-bold text-[27px] leading-tight">
        {say.rich(
          'Look at each line<part>{lines, plural, one {# line} other {# lines}} of {from}: {in} go in, {out, plural, =0 {none left out} other {# left out}}{unseen, plural, =0 {} other {, # in doubt}}.</part>',
          {
            part: (text) => <span className="block font-normal text-[17px] text-quiet">{text}</span>,
            lines: lines.length,
            from,
            in: lines.length - out,
            out,
            unseen,
          },
        )}
      </h1>
      {others.length > 1 && (
        <Pick
          id="which-recipe"
          label={say('{n} recipes were found', { n: others.length })}
          value={String(at)}
          onChange={(e) => onPick(Number(e.target.value))}
        >
          {others.map((other, n) => (
            <option key={`${n}${other}`} value={n}>
              {other || say('without a name')}
            </option>
          ))}
        </Pick>
      )}
      {unseen > 0 && (
        <button type="button" className={BUTTON} onClick={allRight}>
          {say('All are right')}
        </button>
      )}
      <button type="button" className={BUTTON} onClick={onBack}>
        {say('Another file')}
      </button>
    </header>
  );
}

/** What it is called, and what of it is worked out when it is planned. */
function Named({ of: { name, setName, open, setOpen, thickener, hasLiquid } }: Part) {
  const say = useSay();
  return (
    <div className="grid grid-cols-[1fr_auto] items-end gap-5 max-[1100px]:grid-cols-1">
      <Field
        id="draft-name"
        label={say('Name')}
        value={name}
        maxLength={80}
        onChange={(e) => setName(e.target.value)}
        problem={name.trim() === '' ? say('give the soup a name') : undefined}
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
  );
}

type ScalesProps = Part & { readonly scales: NonNullable<RecipeDraft['scales']> };

function Scales({ scales, of: { scale, rescale } }: ScalesProps) {
  const say = useSay();
  return (
    <Pick
      id="draft-scale"
      label={say('Amounts of which column')}
      value={String(scale)}
      onChange={(e) => rescale(Number(e.target.value))}
    >
      {scales.map(({ label }, n) => (
        <option key={`${n}${label}`} value={n}>
          {label}
        </option>
      ))}
    </Pick>
  );
}

function Refused({ problems }: { readonly problems: readonly ToldProblem[] }) {
  const say = useSay();
  if (problems.length === 0) return null;
  return (
    <div role="alert" className="mt-3 rounded-sm border-2 border-tomato bg-surface p-3 font-bold text-tomato">
      {problems.map((p) => (
        <p key={`${p.field}${say.either(p.given)}`}>
          {p.field}: {say(problemWords([p]))}
        </p>
      ))}
    </div>
  );
}

function Foot({ of: { unseen, wrong, busy, make } }: Part) {
  const say = useSay();
  return (
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
  );
}
