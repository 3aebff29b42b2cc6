'use client';

import { useMemo } from 'react';
import { unitsFor } from '../../../core/units/shown/here';
import { useShow } from './useShow';

/** The units figures are typed and shown in on this station. */
export function useUnits() {
  const show = useShow();
  return useMemo(() => unitsFor(show), [show]);
}
