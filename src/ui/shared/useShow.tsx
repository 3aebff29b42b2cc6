'use client';

import { createContext, type ReactNode, useContext } from 'react';
import { METRIC, type Show } from '../../core/units/show';

const Shown = createContext<Show>(METRIC);

/** How this kitchen reads volumes and temperatures. */
export const useShow = (): Show => useContext(Shown);

export function ShowProvider({ show, children }: { show: Show; children: ReactNode }) {
  return <Shown value={show}>{children}</Shown>;
}
