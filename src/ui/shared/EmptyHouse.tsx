'use client';

import { Link } from './Link';
import { PRIMARY } from './styles';
import { useSay } from './useSay';

/** A kitchen that has nothing to plan with yet, and the first thing to do about it. */
export function EmptyHouse() {
  const say = useSay();
  return (
    <div className="grid h-full place-content-center gap-6 p-8 text-center">
      <h1 className="font-bold text-[40px]">{say('No soup to plan yet')}</h1>
      <p>{say('A plan wants a recipe in use, a pot and a burner.')}</p>
      <Link href="/recipes" className={PRIMARY}>
        {say('Put in a recipe')}
      </Link>
    </div>
  );
}
