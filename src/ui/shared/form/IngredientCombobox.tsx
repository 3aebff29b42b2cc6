'use client';

import { useCombobox } from 'downshift';
import { useMemo, useState } from 'react';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { suggested } from '../../../core/food/lines/suggested';
import { useSay } from '../hooks/useSay';
import { FIELD } from '../styles';

export type IngredientProps = {
  readonly id: string;
  readonly label: string;
  /** The label is there for those who hear it, not shown. */
  readonly hideLabel?: boolean;
  readonly value: string;
  readonly onChange: (id: string) => void;
  readonly problem?: string | undefined;
  readonly nameOf?: (id: string) => string;
  readonly inputRef?: (element: HTMLInputElement | null) => void;
};

const MOST = 8;

const catalogueName = (id: string): string => (isIngredient(id) ? ingredient(id).name : id);

/** One ingredient of the catalogue, found by typing any of the words cooks use for it. */
export function IngredientCombobox({
  id,
  label,
  hideLabel,
  value,
  onChange,
  problem,
  nameOf = catalogueName,
  inputRef,
}: IngredientProps) {
  const say = useSay();
  const [text, setText] = useState(value ? nameOf(value) : '');
  const [shownFor, setShownFor] = useState(value);
  if (shownFor !== value) {
    setShownFor(value);
    setText(value ? nameOf(value) : '');
  }
  const items = useMemo(() => suggested(text, nameOf, MOST), [text, nameOf]);
  const box = useCombobox<string>({
    id,
    inputId: id,
    items: [...items],
    inputValue: text,
    selectedItem: isIngredient(value) ? value : null,
    itemToString: (item) => (item ? nameOf(item) : ''),
    onInputValueChange: ({ inputValue }) => setText(inputValue),
    onSelectedItemChange: ({ selectedItem }) => {
      if (!selectedItem) return;
      onChange(selectedItem);
      setText(nameOf(selectedItem));
    },
    stateReducer: (_state, { changes, type }) =>
      // Left with nothing picked, it says again what it stands for.
      type === useCombobox.stateChangeTypes.InputBlur
        ? { ...changes, inputValue: value ? nameOf(value) : text }
        : changes,
  });
  return (
    <div className="relative min-w-0">
      {/* biome-ignore lint/a11y/noLabelWithoutControl: the properties spread here name the input it is for */}
      <label {...box.getLabelProps()} className={hideLabel ? 'sr-only' : 'mb-1 block font-bold'}>
        {label}
      </label>
      <input
        {...box.getInputProps({
          ...(inputRef && { ref: inputRef }),
          onFocus: (e) => e.currentTarget.select(),
        })}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        className={FIELD}
      />
      <ul
        {...box.getMenuProps({ 'aria-label': label })}
        className={`absolute top-full left-0 z-40 max-h-80 w-full min-w-64 overflow-y-auto border-ink bg-surface ${box.isOpen ? 'rounded-b-sm border-2' : ''}`}
      >
        {box.isOpen &&
          items.map((item, index) => (
            <li
              key={item}
              {...box.getItemProps({ item, index })}
              className={`flex min-h-12 cursor-pointer items-center border-rule border-b px-3 last:border-b-0 ${box.highlightedIndex === index ? 'bg-butter text-on-butter' : ''}`}
            >
              {nameOf(item)}
            </li>
          ))}
        {box.isOpen && items.length === 0 && (
          <li className="px-3 py-3 text-quiet">{say('Nothing in the catalogue is called that.')}</li>
        )}
      </ul>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 font-bold text-[15px] text-tomato">
          {problem}
        </p>
      )}
    </div>
  );
}
