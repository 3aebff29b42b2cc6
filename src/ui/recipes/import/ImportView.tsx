'use client';

import { Suspense, useCallback, useEffect, useState } from 'react';
import { FileButton } from '../../shared/form/FileButton';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { lazily } from '../../shared/lazily';
import { BUTTON, FIELD, PRIMARY } from '../../shared/styles';
import { keepWaiting, stillWaiting, type Waiting } from '../handOver';
import { Problems } from './Problems';
import { useDropped } from './useDropped';
import { useOpen } from './useOpen';

/** Loaded once there is something to look at. */
const Review = lazily(async () => (await import('./Review')).Review);

const KINDS = '.json,.jsonld,.txt,.md,.csv,.tsv,.xlsx,.html,.htm';

/** A recipe from a file or pasted: ours goes to the editor, anyone else's is looked at line by line first. */
export function ImportView() {
  const say = useSay();
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const [at, setAt] = useState(0);
  const show = useCallback((w: Waiting) => {
    setWaiting(w);
    setAt(0);
  }, []);
  // What another screen opened, or what is left of a file of several.
  useEffect(() => {
    const left = stillWaiting();
    if (left) show(left);
  }, [show]);
  const { busy, name, problems, open } = useOpen(show);
  const words = say('What was pasted');
  const dropped = useDropped((what, from) => void open(what, from), words);
  const draft = waiting?.drafts[at];
  if (waiting && draft)
    return (
      <Suspense fallback={<p className="p-8 text-quiet">{say('One moment …')}</p>}>
        <Review
          key={`${waiting.from} ${at} ${waiting.drafts.length}`}
          draft={draft}
          from={waiting.from}
          others={waiting.drafts.map((d) => d.name)}
          at={at}
          onPick={setAt}
          onMade={() => keepWaiting({ ...waiting, drafts: waiting.drafts.filter((_, n) => n !== at) })}
          onBack={() => {
            keepWaiting(null);
            setWaiting(null);
          }}
        />
      </Suspense>
    );
  return (
    <section
      aria-label={say('Drop a file here')}
      {...dropped}
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
            'A recipe as you have it: typed or copied text, a note, a sheet (.csv, .xlsx), a saved web page, a Panache recipe. Several may stand in one. Each line is shown beside what it was read as; nothing is kept until you save it. What a photograph or a PDF shows is not read.',
          )}
        </p>
        <div className="rounded-sm border-2 border-ink border-dashed bg-surface p-6 text-center">
          <FileButton
            id="recipe-file"
            words={busy ? say('Reading …') : say('Choose a file')}
            accept={KINDS}
            look={PRIMARY}
            onFile={(f) => void open(f, f.name)}
          />
          <p className="mt-2 text-quiet">{say('or drop it here, or paste')}</p>
        </div>
        <Problems name={name} problems={problems} />
        <Paste busy={busy} onPaste={(text) => void open(text, words)} />
      </div>
    </section>
  );
}

type PasteProps = { readonly busy: boolean; readonly onPaste: (text: string) => void };

function Paste({ busy, onPaste }: PasteProps) {
  const say = useSay();
  const [pasted, setPasted] = useState('');
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        onPaste(pasted);
      }}
    >
      <label htmlFor="recipe-text" className="font-bold">
        {say('Or type or paste it')}
      </label>
      <textarea
        id="recipe-text"
        value={pasted}
        onChange={(e) => setPasted(e.target.value)}
        rows={10}
        spellCheck={false}
        placeholder={say(
          'Leek soup\n3 leeks, sliced\n4 tbsp flour\n8 cups chicken stock\nSweat the leeks 10 minutes, stir in the flour …',
        )}
        className={`mt-2 h-auto! py-2 ${FIELD}`}
      />
      <button type="submit" disabled={busy || pasted.trim() === ''} className={`mt-2 ${BUTTON}`}>
        {say('Read it')}
      </button>
    </form>
  );
}
