'use client';

import { TriangleAlert } from 'lucide-react';
import type { Deviation } from '../../core/keep/safe/deviation';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';

type Props = { readonly open: readonly Deviation[]; readonly onAnswer: () => void };

/** What went against a rule and nobody has said anything about: the first of it, and how many. */
export function Unanswered({ open, onAnswer }: Props) {
  const say = useSay();
  const [first, ...more] = open;
  if (!first) return null;
  return (
    <div
      role="alert"
      className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-tomato border-t-4 bg-surface px-5 py-2"
    >
      <TriangleAlert className="shrink-0 text-tomato" size={26} aria-hidden />
      <p className="min-w-60 flex-1 leading-tight">
        <b>{say('{what}.', { what: { opening: first.says } })}</b>{' '}
        {more.length > 0 &&
          say('{count, plural, one {One more thing} other {# more things}} went against a rule.', {
            count: more.length,
          })}
      </p>
      <button type="button" className={BUTTON} onClick={onAnswer}>
        {say('What was done?')}
      </button>
    </div>
  );
}
