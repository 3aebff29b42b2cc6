import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { rootCertificate } from '../../server/guard/network/root';
import { TrustView } from '../../ui/pair/TrustView';
import { titled } from '../reader';

export const generateMetadata = titled('Trust this kitchen');
export const dynamic = 'force-dynamic';

/** How a device comes to trust the kitchen’s own authority, once. It is shown without https: before that there is none it would take. */
export default async function TrustPage() {
  const root = rootCertificate();
  if (!root) notFound();
  return <TrustView fingerprint={root.fingerprint} host={(await headers()).get('host') ?? ''} />;
}
