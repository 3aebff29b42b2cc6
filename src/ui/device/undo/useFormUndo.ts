'use client';

import { useEffect, useId, useMemo, useRef } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { same } from '../../../core/maths/same';
import type { Message } from '../../../core/message/message';
import { did, forget } from './undo';

/** Typing into one field is one change until it rests this long, ms. */
const REST = 900;

/** Makes the changes of a form, not saved yet, things that can be taken back on the station; forgotten as the form is left or saved. */
export function useFormUndo<F extends FieldValues>(
  form: UseFormReturn<F>,
  words: Message,
  saved: unknown,
): void {
  const owner = useId();
  const latest = useRef<F>(undefined);
  const since = useRef<{ field: string; at: number } | null>(null);
  // What was saved begins anew.
  const begun = useMemo(() => ({ form, saved }), [form, saved]);
  useEffect(() => {
    const { form } = begun;
    forget(owner);
    latest.current = structuredClone(form.getValues());
    since.current = null;
    const put = (values: F) => {
      latest.current = structuredClone(values);
      since.current = null;
      form.reset(structuredClone(values), { keepDefaultValues: true });
    };
    const watched = form.watch((_values, { name }) => {
      const now = structuredClone(form.getValues());
      const before = latest.current;
      if (before === undefined || same(before, now)) return;
      latest.current = now;
      const at = Date.now();
      const goesOn = since.current && name && since.current.field === name && at - since.current.at < REST;
      since.current = name ? { field: name, at } : null;
      if (goesOn) return;
      let after: F | null = null;
      did({
        words,
        owner,
        undo: () => {
          after = structuredClone(form.getValues());
          put(before);
        },
        redo: () => after && put(after),
      });
    });
    return () => {
      watched.unsubscribe();
      forget(owner);
    };
  }, [begun, owner, words]);
}
