'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { type Answers, begunWith } from '../../core/kitchen/begin';
import type { House } from '../../core/kitchen/house';
import { type Message, message } from '../../core/message/message';
import type { Plan } from '../../core/plan/types';
import type { RecipeText } from '../../core/recipe/recipe';
import { ask, problemWords } from '../device/line/api';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../shared/styles';
import { BurnersAsked } from './BurnersAsked';
import { Chosen, NameAsked } from './Chosen';
import { DoseStrip } from './DoseStrip';
import { PotsAsked } from './PotsAsked';
import { SoupAsked } from './SoupAsked';

const QUESTIONS = ['where', 'soup', 'pots', 'burners', 'flour', 'height', 'name'] as const;
type Question = (typeof QUESTIONS)[number];

const TITLES: { readonly [Q in Question]: Message } = {
  where: message('Where is the kitchen?'),
  soup: message('A first soup'),
  pots: message('Which pots do you have?'),
  burners: message('What do you cook on?'),
  flour: message('How do you measure flour?'),
  height: message('How high above the sea?'),
  name: message('What is the kitchen called?'),
};
const WHYS: { readonly [Q in Question]: Message } = {
  where: message('It sets units, money and the rules for hot and cold food. All can be changed later.'),
  soup: message(
    'One of ten ways of thickening, or a soup to try. The dose shows at once, and follows your answers.',
  ),
  pots: message('Tap all you have. The width decides how much water a soup loses.'),
  burners: message('Tap all you have: kind and size of the plate, or of the ring of flames.'),
  flour: message('A scale makes the dose surer; a spoon is a tenth off either way.'),
  height: message('Water boils cooler higher up: softening takes longer.'),
  name: message('It stands on what is printed.'),
};

type Props = {
  readonly house: House;
  readonly samples: readonly RecipeText[];
  /** Ids of the recipes there are. */
  readonly known: readonly string[];
};

/** The answers so far, the kitchen they make and the dose in it, and keeping them. */
function useBegin({ house, known }: Props) {
  const say = useSay();
  const router = useRouter();
  const [at, setAt] = useState(0);
  const [answers, setAnswers] = useState<Answers>({});
  const [soup, setSoup] = useState<RecipeText | null>(null);
  const [plan, setPlan] = useState<Plan | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const question = QUESTIONS[at] ?? 'name';
  const last = at === QUESTIONS.length - 1;
  const begun = begunWith(house, answers);
  const asked = JSON.stringify(answers);
  useEffect(() => {
    if (!soup) return;
    let over = false;
    void import('./dose').then(({ doseIn }) => {
      if (!over) setPlan(doseIn(begunWith(house, JSON.parse(asked) as Answers), soup));
    });
    return () => {
      over = true;
    };
  }, [house, asked, soup]);

  const answer = (more: Answers, goOn: boolean) => {
    setAnswers((a) => ({ ...a, ...more }));
    if (goOn) setAt((n) => Math.min(n + 1, QUESTIONS.length - 1));
  };
  const finish = async () => {
    setBusy(true);
    setProblem(null);
    const { kitchenFileOf } = await import('./dose');
    const saved = await ask('PUT /api/kitchen', {
      body: { kitchen: kitchenFileOf(begun), revision: house.revision, note: '', by: '' },
    });
    const kept =
      saved.ok && soup && !known.includes(soup.id)
        ? await ask('POST /api/recipes', { body: { body: soup, note: '', by: '' } })
        : null;
    setBusy(false);
    if (!saved.ok) return setProblem(say(problemWords(saved.problems)));
    if (kept && !kept.ok) return setProblem(say(problemWords(kept.problems)));
    router.push(
      soup
        ? `/plan?${new URLSearchParams({ recipe: soup.id, litres: String(soup.yieldLitres) })}`
        : '/recipes/start',
    );
  };
  return {
    at,
    question,
    last,
    answers,
    answer,
    back: () => setAt((n) => n - 1),
    next: () => setAt((n) => n + 1),
    soup,
    take: (next: RecipeText) => {
      setSoup(next);
      setAt((n) => n + 1);
    },
    plan,
    begun,
    problem,
    busy,
    finish,
  };
}
type Beginning = ReturnType<typeof useBegin>;

/** A kitchen that begins: one question a screen, each to be skipped; the first dose is there before the last of them. */
export function BeginView(props: Props) {
  const say = useSay();
  const of = useBegin(props);
  const { at, question, problem, soup, plan, begun } = of;
  return (
    <div className="flex h-full flex-col">
      <header className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3">
        <p className="text-[16px] text-quiet">
          {say('Question {n} of {all}', { n: at + 1, all: QUESTIONS.length })}
        </p>
        <h1 className="font-bold text-[27px] leading-tight">{say(TITLES[question])}</h1>
        <p>{say(WHYS[question])}</p>
      </header>
      <main className="min-h-0 flex-1 overflow-y-auto px-5 py-4">
        <Asked of={of} samples={props.samples} />
        {problem && (
          <p role="alert" className="pt-3 font-bold text-tomato">
            {problem}
          </p>
        )}
      </main>
      {soup && plan && <DoseStrip plan={plan} name={soup.name} house={begun} />}
      <Foot of={of} />
    </div>
  );
}

type Part = { readonly of: Beginning };

/** What is asked, and what can be answered. */
function Asked({ of, samples }: Part & Pick<Props, 'samples'>) {
  const { question, answers, answer, begun, soup, take } = of;
  return (
    <>
      {question === 'where' && (
        <Chosen.Region value={answers.region} onPick={(region) => answer({ region }, true)} />
      )}
      {question === 'soup' && (
        <SoupAsked house={begun} samples={samples} picked={soup?.id ?? null} onPick={take} />
      )}
      {question === 'pots' && (
        <PotsAsked pots={answers.pots ?? []} onPots={(pots) => answer({ pots }, false)} />
      )}
      {question === 'burners' && (
        <BurnersAsked burners={answers.burners ?? []} onBurners={(burners) => answer({ burners }, false)} />
      )}
      {question === 'flour' && (
        <Chosen.Measures value={answers.measures} onPick={(measures) => answer({ measures }, true)} />
      )}
      {question === 'height' && (
        <Chosen.Height value={answers.altitudeM} onPick={(altitudeM) => answer({ altitudeM }, true)} />
      )}
      {question === 'name' && (
        <NameAsked value={answers.name ?? ''} onName={(name) => answer({ name }, false)} />
      )}
    </>
  );
}

function Foot({ of: { at, question, last, soup, busy, back, next, finish } }: Part) {
  const say = useSay();
  return (
    <footer className="flex shrink-0 flex-wrap items-stretch gap-2 border-ink border-t-2 bg-surface px-3 py-2">
      {at > 0 && (
        <button type="button" className={BUTTON} onClick={back}>
          {say('Back')}
        </button>
      )}
      <span className="flex-1" />
      {!last && (
        <button type="button" className={BUTTON} onClick={next}>
          {say('Skip')}
        </button>
      )}
      {(question === 'pots' || question === 'burners') && (
        <button type="button" className={`${PRIMARY} text-[20px] min-[720px]:min-w-36`} onClick={next}>
          {say('Next')}
        </button>
      )}
      {(last || soup) && (
        <button
          type="button"
          disabled={busy}
          className={`${last ? PRIMARY : BUTTON} text-[20px] min-[720px]:min-w-36`}
          onClick={() => void finish()}
        >
          {busy ? say('Saving …') : soup ? say('Plan it') : say('Done')}
        </button>
      )}
    </footer>
  );
}
