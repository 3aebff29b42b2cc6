'use client';

import { Children, type ReactNode, useMemo } from 'react';
import type { Message, Value } from '../../../core/message/message';
import { formatOf } from '../../../core/text/catalogue';
import { inWords, isFigure, type Reader, valuesIn, type Words, wordsFor } from '../../../core/text/inWords';
import { useShow } from './useShow';

/** What stands in the braces of a message with parts set apart: also things drawn, and what wraps a `<tag>`. */
type RichValues = Readonly<Record<string, Value | ReactNode | ((text: ReactNode) => ReactNode)>>;

/** Says a message, or a text and what stands in its braces, in the language and units of this station. */
export type Say = Words & {
  /** The same with parts of it set apart: `say.rich('<b>{n}</b> left', { b: (text) => <b>{text}</b>, n })`. */
  readonly rich: (text: string, values: RichValues) => ReactNode;
  /** What is a message said, what is somebody's own words left as they are. */
  readonly either: (words: Message | string) => string;
  readonly maybe: (words: Message | string | undefined) => string | undefined;
  readonly reader: Reader;
};

function richIn(text: string, values: RichValues, reader: Reader): ReactNode {
  const language = reader.language ?? 'en';
  const plain = Object.fromEntries(
    Object.entries(values).map(([name, value]) => [
      name,
      isFigure(value) ? valuesIn({ [name]: value }, reader)[name] : value,
    ]),
  );
  const parts = formatOf(text, language).format<ReactNode>(plain);
  return Array.isArray(parts) ? Children.toArray(parts) : parts;
}

export function sayFor(reader: Reader): Say {
  const either = (words: Message | string): string =>
    typeof words === 'string' ? words : inWords(words, reader);
  return Object.assign(wordsFor(reader), {
    rich: (text: string, values: RichValues): ReactNode => richIn(text, values, reader),
    either,
    maybe: (words: Message | string | undefined) => (words === undefined ? undefined : either(words)),
    reader,
  });
}

/** Says messages as this station reads them. */
export function useSay(): Say {
  const reader = useShow();
  return useMemo(() => sayFor(reader), [reader]);
}
