import { redirect } from 'next/navigation';
import { message } from '../../core/message/message';
import { theRail } from '../../server/live/theRail';
import { Nothing } from '../../ui/shared/Nothing';
import { titled } from '../reader';

export const generateMetadata = titled('Stove');
export const dynamic = 'force-dynamic';

export default async function StovePage() {
  const [oldest] = await theRail();
  if (oldest) redirect(`/stove/${oldest.id}`);
  return <Nothing what={message('Nothing on the stove')} href="/plan" go={message('Plan a soup')} />;
}
