'use client';

import '../../../core/food/load';
import { MoreHorizontal } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { FormProvider, type UseFormReturn, useForm } from 'react-hook-form';
import { idFrom } from '../../../core/formats/draft/ids';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import type { RecipeText } from '../../../core/recipe/recipe';
import { ask, problemWords } from '../../device/line/api';
import { didSave } from '../../device/undo/didSave';
import { useFormUndo } from '../../device/undo/useFormUndo';
import { readRole } from '../../device/useRole';
import { useLeaveWarning } from '../../shared/form/useLeaveWarning';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { Scroll } from '../../shared/Scroll';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';
import { bodyOf, fieldOf, type RecipeForm, recipeForm } from './form/form';
import { useKept } from './form/useKept';
import { More } from './More';
import { Pans } from './Pans';
import { Prediction } from './Prediction';
import { SaveBar } from './SaveBar';
import { SoupCard } from './SoupCard';
import { type OpenCard, StepList } from './StepList';
import { useForesight } from './useForesight';

/** What a soup goes by until its name has been typed. */
const UNNAMED = 'New soup';

const UNDONE = message('a change of the recipe');

type Props = {
  readonly house: House;
  readonly body: RecipeText;
  /** The version it was read as; null for a recipe not yet kept. */
  readonly version: number | null;
  readonly archived: boolean;
  /** The plan it was opened from, as its address says it: the way back. */
  readonly plan?: string | null;
};

/** Foresees what is typed, keeps it on this device until it is saved, and says where something is wrong. */
function useTyping(
  form: UseFormReturn<RecipeForm>,
  { house, body, version }: Props,
  keep: (typed: RecipeForm) => void,
) {
  const say = useSay();
  const { formState, reset } = form;
  const { foreseen, away, foresee } = useForesight();
  const values = form.watch();
  const named = Boolean(formState.touchedFields.name);
  useEffect(() => {
    const typed = bodyOf(values, body, house);
    // A soup not yet named is not wrong yet.
    foresee(version === null && !named && !typed.name ? { ...typed, name: UNNAMED } : typed);
  });
  useEffect(() => {
    if (formState.isDirty) keep(values);
  });
  useLeaveWarning(formState.isDirty);
  useFormUndo(form, UNDONE, version);
  // Put back to an earlier version, here or elsewhere, it is shown as it now stands.
  const shown = useRef(version);
  useEffect(() => {
    if (shown.current === version || formState.isDirty) return;
    shown.current = version;
    reset(recipeForm(body));
  }, [version, formState.isDirty, body, reset]);

  const live = foreseen && !foreseen.ok ? foreseen.problems : [];
  /** What is wrong at a field; ending in a dot, anywhere inside it. */
  const problemAt = (path: string): string | undefined => {
    const inside = path.endsWith('.');
    const hit = live.find((p) => {
      const at = fieldOf(p.path, values);
      return inside ? at.startsWith(path) : at === path;
    });
    if (hit) return say(hit.says);
    const error = form.getFieldState(inside ? (path.slice(0, -1) as 'steps.0') : (path as 'name')).error;
    return inside ? undefined : error?.message;
  };
  return { values, foreseen, away, problemAt };
}

/** Saves the recipe as its next version, or as a new one; what is refused stands at its field. */
function useSave(
  form: UseFormReturn<RecipeForm>,
  { house, body, version, archived }: Props,
  onSaved: () => void,
  onWrong: (field: string) => void,
) {
  const say = useSay();
  const router = useRouter();
  const [said, setSaid] = useState<{ words: string; bad: boolean } | null>(null);
  const [saving, setSaving] = useState(false);
  const [note, setNote] = useState('');
  const { handleSubmit, setError, reset } = form;
  const save = handleSubmit(async (now) => {
    setSaving(true);
    const made = bodyOf(now, body, house);
    const named = version === null ? { ...made, id: idFrom(made.name) } : made;
    const answer =
      version === null
        ? await ask('POST /api/recipes', { body: { body: named, note, by: readRole() } })
        : await ask('PUT /api/recipes/[id]', {
            at: { id: body.id },
            body: { body: named, note, by: readRole(), base: version },
          });
    setSaving(false);
    if (!answer.ok) {
      for (const p of answer.problems)
        setError(fieldOf(p.field, now) as 'name', { message: say(problemWords([p])) });
      const [first] = answer.problems;
      setSaid({
        words: say('Not saved. {problems}', { problems: say(problemWords(answer.problems)) }),
        bad: true,
      });
      if (first && answer.status === 400) onWrong(first.field);
      return;
    }
    onSaved();
    reset(now);
    setNote('');
    setSaid({ words: say('Saved as version {version}.', { version: answer.body.version }), bad: false });
    if (version !== null && answer.body.version !== version)
      didSave(message('saving the recipe'), { kind: 'recipe', id: body.id }, version, answer.body.version);
    if (version === null) router.replace(`/recipes/${answer.body.id}`);
    else router.refresh();
  });
  const archive = async () => {
    const answer = await ask('POST /api/recipes/[id]/archive', {
      at: { id: body.id },
      body: { archived: !archived },
    });
    if (answer.ok) router.push('/recipes');
    else setSaid({ words: say(problemWords(answer.problems)), bad: true });
  };
  return { said, saving, note, setNote, save, archive };
}

/** A recipe's editor: steps on the left, what they come to on the right. */
export function EditorView(props: Props) {
  const { house, body, version, archived, plan = null } = props;
  const say = useSay();
  const form = useForm<RecipeForm>({ defaultValues: recipeForm(body), shouldFocusError: true });
  const { clearErrors, setFocus, reset, formState } = form;
  const [open, setOpen] = useState<OpenCard>(version === null ? 'soup' : null);
  const [more, setMore] = useState(false);
  const kept = useKept(version === null ? 'new' : body.id, version);
  const { values, foreseen, away, problemAt } = useTyping(form, props, kept.keep);
  const dirty = formState.isDirty || version === null;
  const goTo = (path: string) => {
    const field = fieldOf(path, values);
    const n = /^steps\.(\d+)/.exec(field)?.[1];
    setOpen(n === undefined ? 'soup' : Number(n));
    setTimeout(() => setFocus(field as 'name'), 60);
  };
  const { said, saving, note, setNote, save, archive } = useSave(form, props, kept.forget, goTo);
  return (
    <FormProvider {...form}>
      <form
        onSubmit={(e) => {
          // What the server said last time must not keep this time from being asked.
          clearErrors();
          return save(e);
        }}
        className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden"
        noValidate
      >
        <datalist id="amounts-left-open">
          {['to thicken', 'to volume', 'to taste', 'to match'].map((o) => (
            <option key={o} value={o} />
          ))}
        </datalist>
        <Head {...{ values, version, dirty, archived, body, plan }} onMore={() => setMore(true)} />
        {kept.found && (
          <Unsaved
            onTake={() => {
              const found = kept.take();
              if (found) reset(found, { keepDefaultValues: true });
            }}
            onForget={kept.forget}
          />
        )}
        <div className="grid grid-cols-1 min-[1100px]:min-h-0 min-[1100px]:flex-1 min-[1100px]:grid-cols-[1fr_400px]">
          <div className="min-w-0 px-5 py-4 min-[1100px]:overflow-y-auto">
            <SoupCard
              house={house}
              home={body.home}
              open={open === 'soup'}
              onToggle={() => setOpen(open === 'soup' ? null : 'soup')}
              problemAt={problemAt}
            />
            <Pans problemAt={problemAt} />
            <StepList open={open} onOpen={setOpen} problemAt={problemAt} />
          </div>
          <Foreseen>
            <Prediction
              away={away}
              foreseen={foreseen}
              wantedBand={values.band}
              show={say.reader}
              onProblem={goTo}
            />
          </Foreseen>
        </div>
        <SaveBar
          note={note}
          onNote={setNote}
          said={said && (said.bad || !formState.isDirty) ? said : null}
          saving={saving}
          dirty={dirty}
        />
      </form>
      <Sheet open={more} onOpenChange={setMore} title={values.name || say('This soup')}>
        <More id={version === null ? null : body.id} archived={archived} onArchive={archive} />
      </Sheet>
    </FormProvider>
  );
}

type HeadProps = Pick<Props, 'version' | 'archived' | 'body' | 'plan'> & {
  readonly values: RecipeForm;
  readonly dirty: boolean;
  readonly onMore: () => void;
};

function Head({ values, version, dirty, archived, body, plan = null, onMore }: HeadProps) {
  const say = useSay();
  return (
    <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
      <h1 className="mr-auto font-bold text-[27px] leading-tight">
        {values.name || say('A new soup')}
        <span className="block font-normal text-[17px] text-quiet">
          {version === null
            ? say('not saved yet')
            : say('version {version}{dirty, select, yes {, changed} other {}}', {
                version,
                dirty: dirty ? 'yes' : 'no',
              })}
          {archived && say(', put away')}
        </span>
      </h1>
      {version !== null && (
        <Link
          className={BUTTON}
          href={`/plan?${plan ?? new URLSearchParams({ recipe: body.id, litres: String(body.yieldLitres) })}`}
        >
          {plan === null ? say('Plan it') : say('Back to the plan')}
        </Link>
      )}
      <button type="button" className={BUTTON} onClick={onMore}>
        <MoreHorizontal size={22} aria-hidden /> {say('More')}
      </button>
    </header>
  );
}

type UnsavedProps = { readonly onTake: () => void; readonly onForget: () => void };

/** What was typed here before and not saved can be brought back. */
function Unsaved({ onTake, onForget }: UnsavedProps) {
  const say = useSay();
  return (
    <p className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 px-5 py-2" role="status">
      <span className="mr-auto">{say('Changes you did not save are kept on this device.')}</span>
      <button type="button" className={BUTTON} onClick={onTake}>
        {say('Bring them back')}
      </button>
      <button type="button" className={BUTTON} onClick={onForget}>
        {say('Throw them away')}
      </button>
    </p>
  );
}

function Foreseen({ children }: { readonly children: ReactNode }) {
  const say = useSay();
  return (
    <Scroll
      label={say('What it comes to')}
      className="border-ink px-5 py-4 max-[1100px]:border-t-2 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
    >
      {children}
    </Scroll>
  );
}
