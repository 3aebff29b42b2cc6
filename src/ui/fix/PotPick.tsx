'use client';

import { useRouter } from 'next/navigation';
import { useSay } from '../shared/hooks/useSay';

type Props = {
  readonly pots: readonly { readonly id: string; readonly name: string }[];
  readonly batchId: string;
};

/** Which pot is wrong, where more than one is on the stove. */
export function PotPick({ pots, batchId }: Props) {
  const say = useSay();
  const router = useRouter();
  if (pots.length < 2) return null;
  return (
    <select
      aria-label={say('Pot')}
      value={batchId}
      onChange={(e) => router.push(`/fix?batch=${e.target.value}`)}
      className="mb-2 h-12 w-full rounded-sm border-2 border-ink bg-surface px-2 font-bold"
    >
      {pots.map((p) => (
        <option key={p.id} value={p.id}>
          {p.name}
        </option>
      ))}
    </select>
  );
}
