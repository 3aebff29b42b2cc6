'use client';

import { TriangleAlert } from 'lucide-react';
import { useSay } from '../shared/hooks/useSay';

/** Said on every view while lines stand aside, out of the record: how many, and what puts them back. */
export function Aside({ lines }: { readonly lines: number }) {
  const say = useSay();
  return (
    <p
      role="alert"
      className="flex shrink-0 items-center gap-2 border-tomato border-b-4 bg-surface px-5 py-2 font-bold text-[17px] print:hidden"
    >
      <TriangleAlert size={22} aria-hidden className="shrink-0 text-tomato" />
      {say(
        '{lines, plural, one {One line of the record stands} other {# lines of the record stand}} aside, another has the id. “./panache mend” on the machine Panache runs on puts it back.',
        { lines },
      )}
    </p>
  );
}
