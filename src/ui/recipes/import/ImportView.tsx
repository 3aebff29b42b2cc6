'use client';

import { useRouter } from 'next/navigation';
import { type DragEvent, Suspense, useState } from 'react';
import type { RecipeDraft } from '../../../core/formats/draft/draft';
import { ask, problemWords, type ToldProblem } from '../../device/line/api';
import { FileButton } from '../../shared/form/FileButton';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { lazily } from '../../shared/lazily';
import { BUTTON, FIELD, PRIMARY } from '../../shared/styles';
import { handOver } from '../handOver';

/** Loaded once there is something to look at. */
const Review = lazily(async () => (await import('./Review')).Review);

/** Largest file read, bytes; the server says the same. */
const MOST_BYTES = 1_600_000;

/** A recipe from a file or pasted: ours goes to the editor, anyone else's is looked at line by line first. */
export function ImportView() {
  const say = useSay();
  const router = useRouter();
  const [pasted, setPasted] = useState('');
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly ToldProblem[]>([]);
  const [name, setName] = useState('');
  const [draft, setDraft] = useState<RecipeDraft | null>(null);

  const open = async (text: string, from: string) => {
    setBusy(true);
    setProblems([]);
    setName(from);
    const answer = await ask('POST /api/open', { body: text });
    setBusy(false);
    if (!answer.ok) {
      setProblems(answer.problems);
      return;
    }
    const { body } = answer;
    if (body.kind === 'recipe') {
      handOver(body.body);
      router.push('/recipes/new?handed=1');
    } else if (body.kind === 'draft') setDraft(body.draft);
    else {
      setProblems([
        {
          field: 'file',
          given: say('this is a whole {kind, select, kitchen {kitchen} other {archive}}', {
            kind: body.kind,
          }),
          allowed: say('take it in under Kitchen, Archive'),
        },
      ]);
    }
  };
  const openFile = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_BYTES) {
      setName(file.name);
      setProblems([
        {
          field: 'file',
          given: say('{size} bytes', { size: file.size }),
          allowed: say('at most {mostbytes} bytes are read', { mostbytes: MOST_BYTES }),
        },
      ]);
      return;
    }
    await open(await file.text(), file.name);
  };
  const onDrop = (e: DragEvent) => {
    e.preventDefault();
    void openFile(e.dataTransfer.files[0]);
  };

  if (draft) {
    return (
      <Suspense fallback={<p className="p-8 text-quiet">{say('One moment …')}</p>}>
        <Review draft={draft} onBack={() => setDraft(null)} />
      </Suspense>
    );
  }
  return (
    <section
      aria-label={say('Drop a file here')}
      onDragOver={(e) => e.preventDefault()}
      onDrop={onDrop}
      className="flex h-full flex-col overflow-y-auto"
    >
      <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
        <h1 className="mr-auto font-bold text-[27px]">{say('A recipe from a file')}</h1>
        <Link href="/recipes" className={BUTTON}>
          {say('All recipes')}
        </Link>
      </header>
      <div className="mx-auto grid w-full max-w-215 gap-5 px-5 py-6">
        <p>
          {say(
            'A Panache recipe, or a recipe of anyone’s as schema.org JSON-LD, the form many programs and pages give. Lines that cannot be read with certainty are shown to you first. Nothing is kept until you save it.',
          )}
        </p>
        <div className="rounded-sm border-2 border-ink border-dashed bg-surface p-6 text-center">
          <FileButton
            id="recipe-file"
            words={busy ? say('Reading …') : say('Choose a file')}
            accept=".json,.jsonld,application/json,application/ld+json"
            look={PRIMARY}
            onFile={(f) => void openFile(f)}
          />
          <p className="mt-2 text-quiet">{say('or drop it here')}</p>
        </div>
        {problems.length > 0 && (
          <div role="alert" className="rounded-sm border-2 border-tomato bg-surface p-4">
            <h2 className="font-bold text-[21px] text-tomato">{say('{name} cannot be used', { name })}</h2>
            <ul className="mt-2 list-disc pl-6">
              {problems.map((p) => (
                <li key={`${p.field}${say.either(p.given)}`}>
                  <b>{p.field}</b>: {say(problemWords([p]))}
                </li>
              ))}
            </ul>
            <p className="mt-2">{say('Nothing was kept. Mend it there and choose it again.')}</p>
          </div>
        )}
        <form
          onSubmit={(e) => {
            e.preventDefault();
            void open(pasted, say('What was pasted'));
          }}
        >
          <label htmlFor="recipe-text" className="font-bold">
            {say('Or paste it')}
          </label>
          <textarea
            id="recipe-text"
            value={pasted}
            onChange={(e) => setPasted(e.target.value)}
            rows={7}
            spellCheck={false}
            placeholder={'{ "@type": "Recipe", "name": "…", "recipeIngredient": [ … ] }'}
            className={`mt-2 h-auto! py-2 font-figures ${FIELD}`}
          />
          <button type="submit" disabled={busy || pasted.trim() === ''} className={`mt-2 ${BUTTON}`}>
            {say('Read it')}
          </button>
        </form>
      </div>
    </section>
  );
}
