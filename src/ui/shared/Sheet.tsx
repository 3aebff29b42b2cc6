'use client';

import { type ReactNode, Suspense, useRef } from 'react';
import { lazily } from './lazily';

/** Loaded when the first sheet opens. */
const SheetBody = lazily(async () => (await import('./SheetBody')).SheetBody);

type Props = {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  /** What is tapped to open it; absent when something else opens it. */
  readonly trigger?: ReactNode;
  /** Its accessible name, when the words alone do not say what it is. */
  readonly label?: string;
  readonly triggerClass?: string;
  /** As wide as a table or a chart needs. */
  readonly wide?: boolean;
  readonly children: ReactNode;
};

/** A sheet over the view: large, in the same place every time, closed by its cross, a tap beside it, or Escape. */
export function Sheet({
  open,
  onOpenChange,
  title,
  trigger,
  label,
  triggerClass,
  wide = false,
  children,
}: Props) {
  const opened = useRef(false);
  const from = useRef<HTMLElement | null>(null);
  const was = useRef(false);
  if (open) opened.current = true;
  // Remembered before the sheet takes the focus, to give it back.
  if (open && !was.current && typeof document !== 'undefined')
    from.current = document.activeElement instanceof HTMLElement ? document.activeElement : null;
  was.current = open;
  return (
    <>
      {trigger !== undefined && (
        <button
          type="button"
          aria-haspopup="dialog"
          aria-expanded={open}
          aria-label={label}
          data-state={open ? 'open' : 'closed'}
          onClick={() => onOpenChange(true)}
          className={triggerClass}
        >
          {trigger}
        </button>
      )}
      {opened.current && (
        <Suspense>
          <SheetBody
            open={open}
            onOpenChange={onOpenChange}
            title={title}
            wide={wide}
            onClosed={() => from.current?.focus()}
          >
            {children}
          </SheetBody>
        </Suspense>
      )}
    </>
  );
}
