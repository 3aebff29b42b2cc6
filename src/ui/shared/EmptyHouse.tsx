'use client';

import { message } from '../../core/message/message';
import { useSay } from './hooks/useSay';
import { Link } from './Link';
import { BUTTON, PRIMARY } from './styles';

/** A kitchen that has nothing to plan with yet, and the first thing to do about it. */
export function EmptyHouse() {
  const say = useSay();
  return (
    <div className="grid h-full place-content-center gap-6 p-8 text-center">
      <h1 className="font-bold text-[40px] leading-tight">{say('No soup to plan yet')}</h1>
      <ol className="grid gap-2 text-left text-[20px]">
        {[
          message('A recipe: your own, or one of nine to begin with.'),
          message('Your pots and burners: one of each stands there to begin with.'),
          message('Then Plan says what to weigh, for any number of litres.'),
        ].map((step, n) => (
          <li key={step.text} className="flex gap-3">
            <b className="figures">{n + 1}</b> {say(step)}
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap justify-center gap-3">
        <Link href="/begin" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Begin: seven short questions')}
        </Link>
        <Link href="/recipes/start" className={`${BUTTON} min-h-16 text-[20px]`}>
          {say('Put in a recipe')}
        </Link>
        <Link href="/kitchen?part=pots" className={`${BUTTON} min-h-16 text-[20px]`}>
          {say('Your pots')}
        </Link>
      </div>
    </div>
  );
}
