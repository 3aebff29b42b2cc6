'use client';

import '../../core/food/load';
import { useRouter } from 'next/navigation';
import { type FormEvent, useEffect, useState } from 'react';
import { FormProvider, type UseFormReturn, useForm } from 'react-hook-form';
import type { BackupsTold, ImportTold } from '../../contract/kitchen';
import type { KitchenFile } from '../../core/kitchen/kitchenFile';
import { askedOfKitchen } from '../../core/kitchen/plausible';
import { message } from '../../core/message/message';
import { ask, problemWords, type ToldProblem } from '../device/line/api';
import { didSave } from '../device/undo/didSave';
import { useFormUndo } from '../device/undo/useFormUndo';
import { readRole } from '../device/useRole';
import { Segments } from '../shared/form/Segments';
import { useLeaveWarning } from '../shared/form/useLeaveWarning';
import { useReally } from '../shared/hooks/useReally';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { FIELD } from '../shared/styles';
import { ArchivePart } from './ArchivePart';
import { BurnersPart } from './BurnersPart';
import { type KitchenForm, kitchenFieldOf, kitchenForm, kitchenOf } from './form/form';
import { GroupPart } from './group/GroupPart';
import { HousePart } from './HousePart';
import { KeepingPart } from './KeepingPart';
import { PotsPart } from './PotsPart';
import { ProductsPart } from './ProductsPart';
import { StationsPart } from './stations/StationsPart';

const PARTS = [
  { value: 'house', words: message('House') },
  { value: 'pots', words: message('Pots') },
  { value: 'burners', words: message('Burners') },
  { value: 'products', words: message('Products') },
  { value: 'keeping', words: message('Keeping') },
  { value: 'archive', words: message('Archive') },
  { value: 'stations', words: message('Stations') },
  { value: 'group', words: message('Group') },
] as const;

/** Parts that are not saved with the kitchen. */
const APART: ReadonlySet<string> = new Set(['archive', 'stations', 'group']);
type Part = (typeof PARTS)[number]['value'];

const partOf = (field: string): Part =>
  field.startsWith('vessels')
    ? 'pots'
    : field.startsWith('burners')
      ? 'burners'
      : field.startsWith('products')
        ? 'products'
        : field.startsWith('keeping')
          ? 'keeping'
          : 'house';

type Props = {
  readonly kitchen: KitchenFile;
  readonly revision: number;
  readonly part: string | undefined;
  readonly lastImport: ImportTold | null;
  readonly backups: BackupsTold | null;
  /** How many things its group published it has not answered; null where it is in none. */
  readonly waiting: number | null;
};

const UNDONE = message('a change of the kitchen');

/** What is wrong at a field of the form; ending in a dot, anywhere inside it. */
function useProblems(form: UseFormReturn<KitchenForm>) {
  const say = useSay();
  const { formState } = form;
  const { errors } = formState;
  return (path: string): string | undefined => {
    const inside = path.endsWith('.');
    const { error } = form.getFieldState((inside ? path.slice(0, -1) : path) as 'name', {
      ...formState,
      errors,
    });
    if (!error) return undefined;
    return inside ? say('look here') : typeof error.message === 'string' ? error.message : undefined;
  };
}

/** Puts what was refused at its fields, goes to the first of them, and says how many there are. */
function useRefusals({ setError, setFocus }: UseFormReturn<KitchenForm>, onPart: (part: Part) => void) {
  const say = useSay();
  return (problems: readonly ToldProblem[], go: boolean): string => {
    const wrong = problems.map((p) => ({ field: kitchenFieldOf(p.field), says: say(problemWords([p])) }));
    for (const w of wrong) setError(w.field as 'name', { message: w.says });
    const [at] = wrong;
    if (at && go) {
      onPart(partOf(at.field));
      setTimeout(() => setFocus(at.field as 'name'), 60);
    }
    return say('Not saved. {count} What you typed is still here.', {
      count:
        wrong.length === 1
          ? (at?.says ?? '')
          : say('{count, plural, one {One field to mend.} other {# fields to mend.}}', {
              count: wrong.length,
            }),
    });
  };
}

/** The kitchen as it is typed, and saving it: what is unusual is asked about, what is refused stands at its field. */
function useKitchen(
  { kitchen, revision }: Pick<Props, 'kitchen' | 'revision'>,
  onPart: (part: Part) => void,
) {
  const say = useSay();
  const router = useRouter();
  const form = useForm<KitchenForm>({ defaultValues: kitchenForm(kitchen) });
  const { handleSubmit, clearErrors, reset, formState } = form;
  const refuse = useRefusals(form, onPart);
  const [said, setSaid] = useState<{ words: string; bad: boolean } | null>(null);
  const [saving, setSaving] = useState(false);
  const [now, setNow] = useState(revision);
  const [note, setNote] = useState('');

  useLeaveWarning(formState.isDirty);
  useFormUndo(form, UNDONE, now);
  // Put back to an earlier revision, here or elsewhere, it is shown as it now stands.
  useEffect(() => {
    if (revision === now || formState.isDirty) return;
    setNow(revision);
    reset(kitchenForm(kitchen));
  }, [revision, now, formState.isDirty, kitchen, reset]);

  const { really, sheet: question } = useReally();
  const save = handleSubmit(async (values) => {
    const file = kitchenOf(values, kitchen);
    // What cannot be is refused where it is saved; what is unusual is asked about here.
    const schema = await import('../../core/kitchen/kitchenFile');
    const read = schema.KitchenFile.safeParse(file);
    really(read.success ? askedOfKitchen(read.data) : null, () => void keep(file));
  });
  const keep = async (file: ReturnType<typeof kitchenOf>) => {
    setSaving(true);
    const answer = await ask('PUT /api/kitchen', {
      body: {
        kitchen: file,
        revision: now,
        note,
        by: readRole(),
      },
    });
    setSaving(false);
    if (!answer.ok) return setSaid({ words: refuse(answer.problems, answer.status === 400), bad: true });
    if (answer.body.revision !== now)
      didSave(message('saving the kitchen'), { kind: 'kitchen' }, now, answer.body.revision);
    setNow(answer.body.revision);
    setNote('');
    // The server has read it: every number is one.
    reset(kitchenForm(file as KitchenFile));
    setSaid({ words: say('Saved. Every plan counts with it from now on.'), bad: false });
    router.refresh();
  };
  // That it was saved is true until the next change.
  const told = said && (said.bad || !formState.isDirty) ? said : null;
  return {
    form,
    now,
    note,
    setNote,
    saving,
    isDirty: formState.isDirty,
    told,
    question,
    onSubmit: (e: FormEvent) => {
      // What the server said last time must not keep this time from being asked.
      clearErrors();
      return save(e);
    },
  };
}
type Typing = ReturnType<typeof useKitchen>;

/** What the kitchen is: its room, standards, pots, burners and products, saved together. */
export function KitchenView(props: Props) {
  const { kitchen, lastImport, backups } = props;
  const [part, setPart] = useState<Part>(PARTS.find((p) => p.value === props.part)?.value ?? 'house');
  const typing = useKitchen(props, setPart);
  const { form, question, onSubmit } = typing;
  const problemAt = useProblems(form);
  return (
    <FormProvider {...form}>
      {question}
      <form onSubmit={onSubmit} noValidate className="flex h-full flex-col">
        <Head now={typing.now} part={part} onPart={setPart} waiting={props.waiting} />
        <div className="min-h-0 flex-1 overflow-y-auto px-5 py-4">
          {part === 'house' && <HousePart problemAt={problemAt} />}
          {part === 'pots' && <PotsPart problemAt={problemAt} />}
          {part === 'burners' && <BurnersPart problemAt={problemAt} />}
          {part === 'products' && <ProductsPart problemAt={problemAt} />}
          {part === 'keeping' && <KeepingPart problemAt={problemAt} />}
          {part === 'archive' && <ArchivePart last={lastImport} backups={backups} />}
          {part === 'stations' && <StationsPart roles={kitchen.roles} />}
          {part === 'group' && <GroupPart />}
        </div>
        {!APART.has(part) && <Foot typing={typing} />}
      </form>
    </FormProvider>
  );
}

type HeadProps = {
  readonly now: number;
  readonly part: Part;
  readonly onPart: (part: Part) => void;
  readonly waiting: number | null;
};

function Head({ now, part, onPart, waiting }: HeadProps) {
  const say = useSay();
  const parts = PARTS.filter((p) => p.value !== 'group' || waiting !== null).map((p) =>
    p.value === 'group' && waiting ? { ...p, words: message('Group: {waiting} new', { waiting }) } : p,
  );
  return (
    <header className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-2 border-ink border-b-2 bg-surface px-5 py-3">
      <h1 className="font-bold text-[27px]">{say('Kitchen')}</h1>
      <Link
        href="/kitchen/versions"
        className="mr-auto inline-flex min-h-12 items-center underline underline-offset-4"
      >
        {say('Revision {now}', { now })}
      </Link>
      <Link href="/log/knows" className="inline-flex min-h-12 items-center underline underline-offset-4">
        {say('What the house knows')}
      </Link>
      <Segments label={say('Part of the kitchen')} value={part} onChange={onPart} options={parts} />
    </header>
  );
}

function Foot({ typing: { told, isDirty, note, setNote, saving } }: { readonly typing: Typing }) {
  const say = useSay();
  return (
    <footer className="flex shrink-0 items-stretch border-ink border-t-2 bg-surface">
      <p
        role={told?.bad ? 'alert' : 'status'}
        className={`flex flex-1 items-center px-5 py-2 leading-tight ${told?.bad ? 'font-bold text-tomato' : ''}`}
      >
        {told?.words ?? (isDirty ? say('Changed, not saved yet.') : '')}
      </p>
      {isDirty && (
        <label className="flex items-center gap-3 border-rule border-l px-4">
          <span className="font-bold">{say('Why')}</span>
          <input
            value={note}
            onChange={(e) => setNote(e.target.value)}
            maxLength={200}
            placeholder={say('for whoever looks later')}
            className={`w-64 ${FIELD}`}
          />
        </label>
      )}
      <button
        type="submit"
        disabled={saving || !isDirty}
        className="min-h-18 border-ink border-l-2 bg-butter px-8 font-bold text-[24px] text-on-butter disabled:bg-ground disabled:text-quiet"
      >
        {saving ? say('Saving …') : isDirty ? say('Save') : say('Saved')}
      </button>
    </footer>
  );
}
