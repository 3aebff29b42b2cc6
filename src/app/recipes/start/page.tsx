import { Schools } from '../../../ui/recipes/Schools';
import { titled } from '../../reader';

export const generateMetadata = titled('A new recipe');

export default function StartPage() {
  return <Schools />;
}
