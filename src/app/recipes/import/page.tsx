import { ImportView } from '../../../ui/recipes/import/ImportView';
import { titled } from '../../reader';

export const generateMetadata = titled('From a file');

export default function ImportPage() {
  return <ImportView />;
}
