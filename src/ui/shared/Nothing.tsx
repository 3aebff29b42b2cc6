'use client';

import type { Message } from '../../core/message/message';
import { useSay } from './hooks/useSay';
import { Link } from './Link';

type Props = {
  readonly what: Message;
  readonly why?: Message;
  /** Where to go instead. */
  readonly href: string;
  readonly go: Message;
};

/** A view with nothing to show, and where to go instead. */
export function Nothing({ what, why, href, go }: Props) {
  const say = useSay();
  return (
    <div className="grid h-full place-content-center gap-6 p-8 text-center">
      <h1 className="font-bold text-[40px]">{say(what)}</h1>
      {why && <p>{say(why)}</p>}
      <Link
        href={href}
        className="mx-auto grid min-h-20 place-items-center rounded-sm bg-butter px-8 font-bold text-[24px] text-on-butter"
      >
        {say(go)}
      </Link>
    </div>
  );
}
