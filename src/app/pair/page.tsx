import { redirect } from 'next/navigation';
import { asking } from '../../server/guard/asking';
import { PairView } from '../../ui/pair/PairView';
import { titled } from '../reader';

export const generateMetadata = titled('Pair this screen');
export const dynamic = 'force-dynamic';

type Query = Promise<Record<string, string | string[] | undefined>>;

/** A path of this kitchen, and of nobody else’s. */
const pathIn = (to: unknown): string =>
  typeof to === 'string' && /^\/(?![/\\])/.test(to) && !to.startsWith('/pair') ? to : '/';

/** Where a code is typed that lets a screen in. */
export default async function PairPage({ searchParams }: { searchParams: Query }) {
  const { code, kitchen, to } = await searchParams;
  // Whoever is in needs no code.
  if (asking().who.kind !== 'stranger') redirect(pathIn(to));
  return (
    <PairView
      code={typeof code === 'string' && /^\d{6}$/.test(code) ? code : ''}
      kitchen={typeof kitchen === 'string' && /^[a-z0-9-]{1,60}$/.test(kitchen) ? kitchen : ''}
      to={pathIn(to)}
    />
  );
}
