'use client';

import { Download } from 'lucide-react';
import { useState } from 'react';
import { ask, type Problem } from '../shared/api';
import { FileButton } from '../shared/FileButton';
import { BUTTON, PRIMARY } from '../shared/styles';

type Taken = {
  readonly kitchen: string;
  readonly newRecipes: readonly string[];
  readonly newVersions: readonly string[];
  readonly newBatches: number;
};

const CARD = 'rounded-sm border-2 border-ink bg-surface p-5';
const MOST_BYTES = 64_000_000;

const words = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** The whole kitchen as a file, out and in. What an import would do is said before it is done. */
export function ArchivePart() {
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [would, setWould] = useState<Taken | null>(null);
  const [did, setDid] = useState<Taken | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);

  const look = async (chosen: File) => {
    setWould(null);
    setDid(null);
    setProblems([]);
    if (chosen.size > MOST_BYTES) {
      setFile({ name: chosen.name, text: '' });
      setProblems([
        { field: 'file', given: `${chosen.size} bytes`, allowed: `at most ${MOST_BYTES} bytes are read` },
      ]);
      return;
    }
    const text = await chosen.text();
    setFile({ name: chosen.name, text });
    setBusy(true);
    const answer = await ask<Taken>('POST', '/api/archive?rehearse=1', text);
    setBusy(false);
    if (answer.ok) setWould(answer.body);
    else setProblems(answer.problems);
  };
  const take = async () => {
    if (!file) return;
    setBusy(true);
    const answer = await ask<Taken>('POST', '/api/archive', file.text);
    setBusy(false);
    setWould(null);
    if (answer.ok) setDid(answer.body);
    else setProblems(answer.problems);
  };
  return (
    <div className="grid gap-4 min-[1100px]:grid-cols-2">
      <section aria-labelledby="a-out" className={CARD}>
        <h2 id="a-out" className="font-bold text-[21px]">
          Take everything out
        </h2>
        <p className="mt-2">
          One open JSON file: this kitchen’s settings, every version of every recipe, every batch with its
          record.
        </p>
        <a href="/api/archive" download className={`mt-4 ${PRIMARY}`}>
          <Download size={22} aria-hidden /> Save the archive
        </a>
      </section>
      <section aria-labelledby="a-in" className={CARD}>
        <h2 id="a-in" className="font-bold text-[21px]">
          Take an archive or a kitchen in
        </h2>
        <p className="mt-2">
          Its kitchen takes the place of the settings here. Recipes and batches not known here are added;
          nothing here is thrown away.
        </p>
        <FileButton
          id="archive-file"
          words={busy ? 'Reading …' : 'Choose a file'}
          accept=".json,application/json"
          look={`mt-4 ${BUTTON}`}
          onFile={(f) => void look(f)}
        />
        {would && (
          <div className="mt-4" role="status">
            <p className="font-bold">{file?.name} would</p>
            <ul className="list-disc pl-6">
              <li>make this “{would.kitchen}”, with its pots, burners and products</li>
              <li>add {words(would.newRecipes.length, 'recipe', 'recipes')}</li>
              <li>add newer versions to {words(would.newVersions.length, 'recipe', 'recipes')}</li>
              <li>add {words(would.newBatches, 'batch', 'batches')}</li>
            </ul>
            <button type="button" className={`mt-3 ${PRIMARY}`} disabled={busy} onClick={take}>
              Do that
            </button>
          </div>
        )}
        {did && (
          <p className="mt-4 font-bold" role="status">
            Done: {words(did.newRecipes.length, 'recipe', 'recipes')}, newer versions of{' '}
            {did.newVersions.length}, {words(did.newBatches, 'batch', 'batches')}.{' '}
            <a href="/kitchen">Load the kitchen again</a>.
          </p>
        )}
        {problems.length > 0 && (
          <div role="alert" className="mt-4 text-tomato">
            <p className="font-bold">{file?.name} cannot be taken in; nothing was changed.</p>
            <ul className="list-disc pl-6">
              {problems.map((p) => (
                <li key={`${p.field}${p.given}`}>
                  <b>{p.field}</b>: {[p.given, p.allowed].filter(Boolean).join('; ')}
                </li>
              ))}
            </ul>
          </div>
        )}
      </section>
    </div>
  );
}
