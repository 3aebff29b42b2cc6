'use client';

import { mendsSoup } from '../../../core/adjust/larder';
import { ingredient } from '../../../core/food/catalogue';
import type { Allergen } from '../../../core/food/ingredient';
import { Tick } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';

type Props = {
  readonly keeps: readonly string[];
  readonly larder: readonly string[];
  readonly onToggle: (id: string) => void;
  readonly promises: readonly Allergen[];
  readonly freeOf: readonly Allergen[];
  readonly onPromise: (allergen: Allergen) => void;
};

/** What is to hand today, and what the soup is promised to be free of. */
export function Larder({ keeps, larder, onToggle, promises, freeOf, onPromise }: Props) {
  const say = useSay();
  return (
    <div className="grid gap-4 p-4">
      <fieldset>
        <legend className="mb-1 font-bold">{say('Promised free of')}</legend>
        <div className="grid grid-cols-2 gap-x-4">
          {promises.map((a) => (
            <Tick
              key={a}
              id={`free-${a}`}
              label={a}
              checked={freeOf.includes(a)}
              onChange={() => onPromise(a)}
            />
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-bold">{say('Here, of the kitchen’s products')}</legend>
        {keeps.filter(mendsSoup).length === 0 && (
          <p>
            {say(
              'The kitchen keeps no products yet: enter them under Kitchen, Products. Water is always there.',
            )}
          </p>
        )}
        <div className="grid grid-cols-1 gap-x-4 min-[480px]:grid-cols-2">
          {keeps.filter(mendsSoup).map((id) => (
            <Tick
              key={id}
              id={`larder-${id}`}
              label={ingredient(id).name}
              checked={larder.includes(id)}
              onChange={() => onToggle(id)}
            />
          ))}
        </div>
      </fieldset>
    </div>
  );
}
