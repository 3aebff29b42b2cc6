'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import { unitsFor } from '../../../core/units/shown/here';
import type { KitchenForm } from './form';

/** The units the form is filled in with: as they are chosen on it, saved or not. */
export function useFormUnits() {
  const { control } = useFormContext<KitchenForm>();
  const [volume, temperature] = useWatch({ control, name: ['volume', 'temperature'] });
  return unitsFor({ volume: volume === 'gal' ? 'gal' : 'L', temperature: temperature === 'F' ? 'F' : 'C' });
}
