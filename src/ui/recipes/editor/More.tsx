'use client';

import Link from 'next/link';
import { BUTTON, PRIMARY } from '../../shared/styles';

type Props = {
  /** Null for a recipe not yet kept. */
  readonly id: string | null;
  readonly archived: boolean;
  readonly onArchive: () => void;
};

/** What else can be done with a recipe. */
export function More({ id, archived, onArchive }: Props) {
  return (
    <div className="grid gap-3 p-4">
      {id === null ? (
        <p>Save it first: then it can be copied, compared with older versions and taken away.</p>
      ) : (
        <>
          <Link className={BUTTON} href={`/recipes/${id}/versions`}>
            Versions, and what changed
          </Link>
          <Link className={BUTTON} href={`/recipes/new?from=${id}`}>
            A copy to change
          </Link>
          <a className={BUTTON} href={`/api/recipes/${id}`} download>
            As a Panache recipe file
          </a>
          <a className={BUTTON} href={`/api/recipes/${id}?as=json-ld`} download>
            As schema.org JSON-LD
          </a>
          <button type="button" className={BUTTON} onClick={onArchive}>
            {archived ? 'Take it out again' : 'Put it away'}
          </button>
        </>
      )}
      <Link className={PRIMARY} href="/recipes">
        All recipes
      </Link>
    </div>
  );
}
