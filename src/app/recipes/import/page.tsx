import type { Metadata } from 'next';
import { ImportView } from '../../../ui/recipes/import/ImportView';

export const metadata: Metadata = { title: 'From a file' };

export default function ImportPage() {
  return <ImportView />;
}
