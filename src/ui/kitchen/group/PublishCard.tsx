'use client';

import { useId, useState } from 'react';
import { ask, problemWords } from '../../device/line/api';
import { readRole } from '../../device/useRole';
import { Field, Pick } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../../shared/styles';

/** Publishing, and what came of it. */
function usePublish(note: string, onNew: () => void) {
  const say = useSay();
  const [said, setSaid] = useState<{ readonly words: string; readonly bad: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const publish = async (
    what: { readonly kind: 'recipe'; readonly recipe: string } | { readonly kind: 'rules' },
  ) => {
    setBusy(true);
    const answer = await ask('POST /api/group/published', { body: { ...what, note, by: readRole() } });
    setBusy(false);
    if (!answer.ok) return setSaid({ words: say(problemWords(answer.problems)), bad: true });
    const { edition, isNew } = answer.body;
    setSaid({
      words: isNew
        ? say('Published as edition {edition}. Each kitchen takes or declines it.', { edition })
        : say('Edition {edition} says the same already: nothing was published.', { edition }),
      bad: false,
    });
    if (!isNew) return;
    onNew();
  };
  return { publish, said, busy };
}

/** A recipe as it stands here, or the rules, on their way to every kitchen of the group. */
export function PublishCard({
  recipes,
  onPublished,
}: {
  readonly recipes: readonly { readonly id: string; readonly name: string }[];
  readonly onPublished: () => void;
}) {
  const say = useSay();
  const id = useId();
  const [recipe, setRecipe] = useState('');
  const [note, setNote] = useState('');
  const { publish, said, busy } = usePublish(note, () => {
    setNote('');
    onPublished();
  });
  return (
    <section
      className="grid gap-4 rounded-sm border-2 border-ink bg-surface p-5"
      aria-label={say('Publish to the group')}
    >
      <h2 className="font-bold text-[24px]">{say('Publish to the group')}</h2>
      <div className="grid gap-4 min-[720px]:grid-cols-2">
        <Pick
          id={`${id}-recipe`}
          label={say('A recipe, as it stands here')}
          value={recipe}
          onChange={(e) => setRecipe(e.target.value)}
        >
          <option value="">{say('pick one')}</option>
          {recipes.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
        </Pick>
        <Field
          id={`${id}-note`}
          label={say('Why')}
          value={note}
          maxLength={200}
          placeholder={say('for whoever decides in each kitchen')}
          onChange={(e) => setNote(e.target.value)}
        />
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className={PRIMARY}
          disabled={busy || recipe === ''}
          onClick={() => void publish({ kind: 'recipe', recipe })}
        >
          {say('Publish the recipe')}
        </button>
        <button
          type="button"
          className={BUTTON}
          disabled={busy}
          onClick={() => void publish({ kind: 'rules' })}
        >
          {say('Publish this kitchen’s rules')}
        </button>
      </div>
      {said && (
        <p role={said.bad ? 'alert' : 'status'} className={said.bad ? 'font-bold text-tomato' : 'font-bold'}>
          {said.words}
        </p>
      )}
      <p className="text-quiet">
        {say(
          'The rules are whose code is kept and what beyond it, how often is probed, the bands, and the allergens named first. A kitchen’s own local code comes before them.',
        )}
      </p>
    </section>
  );
}
