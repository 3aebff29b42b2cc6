'use client';

import { SCHOOL_LITRES, SCHOOLS } from '../../core/recipe/schools';
import { SchoolDrawing } from '../shared/draw/SchoolDrawing';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { BUTTON } from '../shared/styles';

/** What a new soup begins as: the ways of thickening one, drawn, each with a soup of it that can be cooked as it stands. */
export function Schools() {
  const say = useSay();
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
        <h1 className="mr-auto font-bold text-[27px] leading-tight">
          {say.rich(
            'How is it thickened?<part>Each begins with a soup of its kind, for {litres}, to be made your own.</part>',
            {
              litres: { litres: SCHOOL_LITRES },
              part: (text) => <span className="block font-normal text-[17px] text-quiet">{text}</span>,
            },
          )}
        </h1>
        <Link href="/recipes/import" className={BUTTON}>
          {say('From a file')}
        </Link>
        <Link href="/recipes" className={BUTTON}>
          {say('All recipes')}
        </Link>
      </header>
      <ul className="grid min-h-0 flex-1 auto-rows-min gap-3 overflow-y-auto p-5 min-[720px]:grid-cols-2 min-[1100px]:grid-cols-3">
        {SCHOOLS.map((s) => (
          <li key={s.id}>
            <Link
              href={`/recipes/new?school=${s.id}`}
              className="flex h-full min-h-32 items-center gap-4 rounded-sm border-2 border-ink bg-surface px-4 py-3 hover:bg-butter/25"
            >
              <SchoolDrawing id={s.id} />
              <span className="min-w-0 leading-tight">
                <b className="block text-[21px]">{say(s.words)}</b>
                <span className="block text-[16px] text-quiet">{say(s.says)}</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
