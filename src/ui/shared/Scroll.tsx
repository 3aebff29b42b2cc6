import type { ReactNode } from 'react';

type Props = { readonly label: string; readonly className?: string; readonly children: ReactNode };

/** A region that scrolls by itself, and by keys once it has the focus. */
export function Scroll({ label, className = '', children }: Props) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: without the focus it could not be scrolled by keys
    <section aria-label={label} tabIndex={0} className={`min-h-0 ${className}`}>
      {children}
    </section>
  );
}
