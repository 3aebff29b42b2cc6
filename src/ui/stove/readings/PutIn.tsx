'use client';

import { useState } from 'react';
import type { EventBody } from '../../../core/batch/events';
import { isIngredient } from '../../../core/food/catalogue';
import { parseNumber } from '../../../core/units/typed/parse';
import { Field } from '../../shared/form/Field';
import { IngredientField } from '../../shared/form/IngredientField';
import { PRIMARY } from '../../shared/styles';
import { useSay } from '../../shared/useSay';

/** Something that went in without the plan asking for it. */
export function PutIn({ onTake }: { onTake: (body: EventBody) => void }) {
  const say = useSay();
  const [what, setWhat] = useState('');
  const [grams, setGrams] = useState('');
  const [tried, setTried] = useState(false);
  const g = parseNumber(grams);
  const possible = g >= 0.1 && g <= 200_000;
  return (
    <form
      noValidate
      className="grid gap-4 p-4"
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (possible && isIngredient(what)) onTake({ kind: 'put-in', ingredient: what, g });
      }}
    >
      <IngredientField
        id="put-in-what"
        label={say('What went in')}
        value={what}
        onChange={setWhat}
        problem={tried && !isIngredient(what) ? say('Choose one of the ingredients.') : undefined}
      />
      <Field
        id="put-in-grams"
        label={say('How much, g')}
        inputMode="decimal"
        value={grams}
        onChange={(e) => setGrams(e.target.value)}
        problem={
          tried && !possible
            ? say('“{grams}” cannot be: weight is a number from 0.1 to 200 000 g.', { grams })
            : undefined
        }
        className="figures text-right font-bold text-[28px]"
      />
      <button type="submit" className={PRIMARY}>
        {say('It is in the pot')}
      </button>
    </form>
  );
}
