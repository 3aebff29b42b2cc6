'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ask, problemWords } from '../../device/line/api';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { BUTTON, PRIMARY } from '../../shared/styles';

type Props = {
  /** Null for a recipe not yet kept. */
  readonly id: string | null;
  readonly archived: boolean;
  readonly onArchive: () => void;
};

/** What else can be done with a recipe. */
export function More({ id, archived, onArchive }: Props) {
  const say = useSay();
  const router = useRouter();
  const [sure, setSure] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  /** Asked once more before it is gone; one that was cooked is refused, with the reason. */
  const remove = async (of: string) => {
    if (!sure) return setSure(true);
    const answer = await ask('DELETE /api/recipes/[id]', { at: { id: of }, body: {} });
    if (answer.ok) router.push('/recipes');
    else setProblem(say(problemWords(answer.problems)));
  };
  return (
    <div className="grid gap-3 p-4">
      {id === null ? (
        <p>{say('Save it first: then it can be copied, compared with older versions and exported.')}</p>
      ) : (
        <>
          <Link className={BUTTON} href={`/recipes/${id}/versions`}>
            {say('Versions, and what changed')}
          </Link>
          <Link className={BUTTON} href={`/recipes/new?from=${id}`}>
            {say('A copy to change')}
          </Link>
          <a className={BUTTON} href={`/api/recipes/${id}`} download>
            {say('As a Panache recipe file')}
          </a>
          <a className={BUTTON} href={`/api/recipes/${id}?as=json-ld`} download>
            {say('As schema.org JSON-LD')}
          </a>
          <button type="button" className={BUTTON} onClick={onArchive}>
            {archived ? say('Take it out again') : say('Put it away')}
          </button>
          <button type="button" className={BUTTON} onClick={() => void remove(id)}>
            {sure ? say('Yes, delete it for good') : say('Delete it, never cooked')}
          </button>
          {problem && (
            <p role="alert" className="font-bold text-tomato">
              {problem}
            </p>
          )}
        </>
      )}
      <Link className={PRIMARY} href="/recipes">
        {say('All recipes')}
      </Link>
    </div>
  );
}
