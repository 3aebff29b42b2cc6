'use client';

import { createContext, type ReactNode, useContext } from 'react';
import type { Reader } from '../../../core/text/inWords';
import { METRIC } from '../../../core/units/shown/show';

const Shown = createContext<Reader>(METRIC);

/** How this station reads volumes, temperatures and words. */
export const useShow = (): Reader => useContext(Shown);

export function ShowProvider({ show, children }: { show: Reader; children: ReactNode }) {
  return <Shown value={show}>{children}</Shown>;
}
