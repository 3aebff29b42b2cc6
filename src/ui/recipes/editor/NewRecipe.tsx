'use client';

import { useEffect, useState } from 'react';
import type { House } from '../../../core/kitchen/house';
import type { RecipeText } from '../../../core/recipe/recipe';
import { useSay } from '../../shared/hooks/useSay';
import { handedOver } from '../handOver';
import { EditorView } from './EditorView';

type Props = {
  readonly house: House;
  readonly body: RecipeText;
  /** Begin with what an import handed over, if it did. */
  readonly handed?: boolean;
};

/** The editor on a recipe that is not kept yet: a blank one, a copy, or what an import handed over. */
export function NewRecipe({ house, body, handed = false }: Props) {
  const say = useSay();
  const [start, setStart] = useState<RecipeText | null>(null);
  useEffect(() => setStart((handed ? handedOver() : null) ?? body), [body, handed]);
  if (!start) return <p className="p-8 text-quiet">{say('One moment …')}</p>;
  return <EditorView house={house} body={start} version={null} archived={false} />;
}
