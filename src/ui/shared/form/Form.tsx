import type { ReactNode } from 'react';

type Props = {
  readonly onSubmit: () => void;
  readonly className?: string;
  readonly children: ReactNode;
};

/** A form that is checked by us and not by the browser, and sends nothing by itself. */
export const Form = ({ onSubmit, className = 'grid gap-4 p-4', children }: Props) => (
  <form
    noValidate
    className={className}
    onSubmit={(e) => {
      e.preventDefault();
      onSubmit();
    }}
  >
    {children}
  </form>
);
