import type { Metadata } from 'next';
import Link from 'next/link';
import { redirect } from 'next/navigation';
import { theRail } from '../../server/live/theRail';

export const metadata: Metadata = { title: 'Stove' };
export const dynamic = 'force-dynamic';

export default async function StovePage() {
  const [oldest] = await theRail();
  if (oldest) redirect(`/stove/${oldest.id}`);
  return (
    <div className="grid h-full place-content-center gap-6 p-8 text-center">
      <h1 className="font-bold text-[40px]">Nothing on the stove</h1>
      <Link
        href="/plan"
        className="mx-auto grid min-h-20 place-items-center rounded-sm bg-butter px-8 font-bold text-[24px] text-on-butter"
      >
        Plan a soup
      </Link>
    </div>
  );
}
