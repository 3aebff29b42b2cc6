'use client';

import { useEffect } from 'react';

/** Has the browser ask before the page is left, as long as something typed is not saved. */
export function useLeaveWarning(unsaved: boolean): void {
  useEffect(() => {
    if (!unsaved) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [unsaved]);
}
