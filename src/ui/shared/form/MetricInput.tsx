'use client';

import type { ComponentProps } from 'react';
import { useController, useFormContext } from 'react-hook-form';
import { MetricField } from './MetricField';

/** A {@link MetricField} of a form: its text is kept as it would be typed in metric units. */
export function MetricInput({
  name,
  ...field
}: { readonly name: string } & Omit<ComponentProps<typeof MetricField>, 'value' | 'onValue' | 'name'>) {
  const { control } = useFormContext();
  const { field: kept } = useController({ control, name });
  return (
    <MetricField
      {...field}
      name={name}
      ref={kept.ref}
      value={String(kept.value ?? '')}
      onValue={kept.onChange}
      onBlur={kept.onBlur}
    />
  );
}
