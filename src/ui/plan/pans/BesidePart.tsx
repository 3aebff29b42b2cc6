'use client';

import { useState } from 'react';
import { message } from '../../../core/message/message';
import { besideOf } from '../../../core/plan/solve/beside';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { placeWords } from '../../../core/words/pans';
import { PART } from '../../shared/form/Choice';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';

type Props = { readonly recipe: Recipe; readonly litres: number; readonly setup: Setup };

/** What is cooked beside the pot, in the sentence; a tap names what each pan is and where it stands. */
export function BesidePart({ recipe, litres, setup }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const beside = Object.entries(besideOf(recipe, litres / recipe.yieldLitres, setup));
  const words = say('{pans}', { pans: { and: beside.map(([name]) => message('{name}', { name })) } });
  return (
    <Sheet
      open={open}
      onOpenChange={setOpen}
      title={say('Pans beside the pot')}
      trigger={words}
      label={say('Pans beside the pot: {words}', { words })}
      triggerClass={PART}
    >
      <div className="grid gap-3 p-4 text-[19px]">
        <p className="text-[16px] text-quiet">
          {say('Picked for this size from the pots and burners of the kitchen, by what each has to hold.')}
        </p>
        <ul>
          {beside.map(([name, place]) => (
            <li key={name} className="border-rule border-b py-2 last:border-b-0">
              <b className="block">{name}</b>
              {say(placeWords(place))}
            </li>
          ))}
        </ul>
      </div>
    </Sheet>
  );
}
