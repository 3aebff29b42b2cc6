'use client';

import { Check } from 'lucide-react';
import { Select } from 'radix-ui';

export type Option<T extends string> = {
  readonly value: T;
  readonly words: string;
  readonly aside?: string;
  readonly warn?: boolean;
};

/** Class of every underlined part of the sentence. */
export const PART =
  'inline-block cursor-pointer border-butter border-b-4 font-bold leading-[1.15] text-ink hover:bg-butter/25 data-[state=open]:bg-butter/40';

type Props<T extends string> = {
  readonly label: string;
  readonly value: T;
  readonly words: string;
  readonly options: readonly Option<T>[];
  readonly onChange: (value: T) => void;
};

/** An underlined part of the sentence that opens a list of what else it could say. */
export function Choice<T extends string>({ label, value, words, options, onChange }: Props<T>) {
  const choose = (picked: string) => {
    const option = options.find((o) => o.value === picked);
    if (option) onChange(option.value);
  };
  return (
    <Select.Root value={value} onValueChange={choose}>
      <Select.Trigger aria-label={`${label}: ${words}`} className={PART}>
        <Select.Value>{words}</Select.Value>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={8}
          collisionPadding={8}
          className="z-50 max-h-[min(480px,var(--radix-select-content-available-height))] min-w-72 overflow-hidden rounded-sm border-2 border-ink bg-surface text-ink"
        >
          <Select.Viewport>
            {options.map((o) => (
              <Select.Item
                key={o.value}
                value={o.value}
                className="flex min-h-14 items-center gap-3 border-rule border-b px-4 py-2 outline-none last:border-b-0 data-highlighted:bg-butter data-highlighted:text-on-butter"
              >
                <span className="w-6 shrink-0">
                  <Select.ItemIndicator>
                    <Check size={22} aria-hidden />
                  </Select.ItemIndicator>
                </span>
                <span>
                  <Select.ItemText>{o.words}</Select.ItemText>
                  {o.aside && <span className="block text-[15px]">{o.aside}</span>}
                </span>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
