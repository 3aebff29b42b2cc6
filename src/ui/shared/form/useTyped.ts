'use client';

import { type DefaultValues, type FieldValues, type Path, type PathValue, useForm } from 'react-hook-form';

/** What is wrong with what was typed: at which field, in words. */
export class Wrong<K extends string> {
  constructor(
    readonly field: K,
    readonly says: string,
  ) {}
}

/**
 * A small form of its own, its fields by name. Once it is sent, `read` says what it comes to, or what is wrong with it, which
 * then stands at its field until that is typed anew; all stays as it was typed.
 */
export function useTyped<V extends FieldValues, T>(
  asItStands: V,
  read: (typed: V) => T | Wrong<Path<V>>,
  onTake: (read: T) => void,
) {
  const form = useForm<V>({ defaultValues: asItStands as DefaultValues<V> });
  const { register, clearErrors, setValue, setError, getValues, getFieldState, formState } = form;
  const problem = (key: Path<V>): string | undefined => getFieldState(key, formState).error?.message;
  const set = <K extends Path<V>>(key: K, value: PathValue<V, K>) => {
    clearErrors(key);
    setValue(key, value);
  };
  return {
    typed: form.watch(),
    set,
    /** For a Tick. */
    tick: (key: Path<V>) => register(key),
    /** For a Field or a Pick. */
    field: (key: Path<V>) => ({
      ...register(key, { onChange: () => clearErrors(key) }),
      problem: problem(key),
    }),
    /** For a MetricField. */
    metric: (key: Path<V>) => ({
      value: String(form.watch(key) ?? ''),
      onValue: (metric: string) => set(key, metric as PathValue<V, typeof key>),
      problem: problem(key),
    }),
    send: () => {
      clearErrors();
      const found = read(getValues());
      if (found instanceof Wrong) setError(found.field, { message: found.says }, { shouldFocus: true });
      else onTake(found);
    },
  };
}
