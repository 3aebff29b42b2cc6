'use client';

import { Suspense } from 'react';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { lazily } from '../lazily';
import { FIELD } from '../styles';
import type { IngredientProps } from './IngredientCombobox';

/** Loaded when the first ingredient is shown to be changed. */
const IngredientCombobox = lazily(async () => (await import('./IngredientCombobox')).IngredientCombobox);

/** One ingredient of the catalogue, found by typing any of the words cooks use for it. */
export function IngredientField(props: IngredientProps) {
  const { label, hideLabel, value } = props;
  const waiting = (
    <div className="min-w-0">
      <span className={hideLabel ? 'sr-only' : 'mb-1 block font-bold'}>{label}</span>
      <span className={`flex items-center ${FIELD}`}>
        {isIngredient(value) ? ingredient(value).name : ''}
      </span>
    </div>
  );
  return (
    <Suspense fallback={waiting}>
      <IngredientCombobox {...props} />
    </Suspense>
  );
}
