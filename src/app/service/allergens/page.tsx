import { notFound } from 'next/navigation';
import { allergenSheet } from '../../../server/actions/allergens';
import { pool } from '../../../server/data/database';
import { isRefusal } from '../../../server/refusal';
import { PrintedAllergens } from '../../../ui/print/PrintedAllergens';
import { titled } from '../../reader';

export const generateMetadata = titled('Allergens for the pass');
export const dynamic = 'force-dynamic';

export default async function AllergensPage({ searchParams }: { searchParams: Promise<{ id?: string }> }) {
  const { id = '' } = await searchParams;
  const sheet = await allergenSheet(pool(), String(id)).catch((error: unknown) => {
    if (isRefusal(error)) return null;
    throw error;
  });
  if (!sheet) notFound();
  return <PrintedAllergens sheet={sheet} />;
}
