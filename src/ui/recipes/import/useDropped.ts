'use client';

import { type DragEvent, useEffect, useRef } from 'react';

/** Texts shorter than this are no recipe: a word pasted by mistake. */
const LEAST = 12;

/**
 * A file dropped on an element, or pasted anywhere on the page but into a field; a text pasted so, too. Gives what
 * the element needs.
 */
export function useDropped(onOpen: (what: File | string, from: string) => void, pastedWords: string) {
  const open = useRef(onOpen);
  useEffect(() => {
    open.current = onOpen;
  });
  useEffect(() => {
    const paste = (e: ClipboardEvent) => {
      const at = e.target as HTMLElement | null;
      if (at?.closest('input, textarea, [contenteditable]')) return;
      const file = e.clipboardData?.files[0];
      // A page that is copied brings its headings and lists with it.
      const text = e.clipboardData?.getData('text/html') || e.clipboardData?.getData('text/plain') || '';
      if (file) open.current(file, file.name);
      else if (text.trim().length >= LEAST) open.current(text, pastedWords);
      else return;
      e.preventDefault();
    };
    document.addEventListener('paste', paste);
    return () => document.removeEventListener('paste', paste);
  }, [pastedWords]);
  return {
    onDragOver: (e: DragEvent) => e.preventDefault(),
    onDrop: (e: DragEvent) => {
      e.preventDefault();
      const file = e.dataTransfer.files[0];
      const text = e.dataTransfer.getData('text/plain');
      if (file) open.current(file, file.name);
      else if (text.trim().length >= LEAST) open.current(text, pastedWords);
    },
  };
}
