'use client';

import { useState } from 'react';
import type { EventBody } from '../../../core/batch/events';
import { isIngredient } from '../../../core/food/catalogue';
import { message } from '../../../core/message/message';
import { parseNumber } from '../../../core/units/typed/parse';
import { Form } from '../../shared/form/Form';
import { IngredientField } from '../../shared/form/IngredientField';
import { MetricField } from '../../shared/form/MetricField';
import { useSay } from '../../shared/hooks/useSay';
import { PRIMARY } from '../../shared/styles';

/** Something that went in without the plan asking for it. */
export function PutIn({ onTake }: { onTake: (body: EventBody) => void }) {
  const say = useSay();
  const [what, setWhat] = useState('');
  const [grams, setGrams] = useState('');
  const [tried, setTried] = useState(false);
  const g = parseNumber(grams);
  const possible = g >= 0.1 && g <= 200_000;
  return (
    <Form
      onSubmit={() => {
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
      <MetricField
        id="put-in-grams"
        words={message('How much, {unit}')}
        what="g"
        value={grams}
        onValue={setGrams}
        problem={
          tried && !possible
            ? say('“{grams}” cannot be: a weight is from {least} to {most}.', {
                grams,
                least: { g: 0.1 },
                most: { g: 200_000 },
              })
            : undefined
        }
        className="figures text-right font-bold text-[28px]"
      />
      <button type="submit" className={PRIMARY}>
        {say('It is in the pot')}
      </button>
    </Form>
  );
}
