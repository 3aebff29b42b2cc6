import { readWords } from '../../server/help';
import { HelpView } from '../../ui/help/HelpView';
import { titled } from '../reader';

export const generateMetadata = titled('Help');
export const dynamic = 'force-dynamic';

export default async function HelpPage() {
  return <HelpView words={await readWords()} />;
}
