'use client';

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { FORMS } from '../../../core/pot/kinds/forms';
import type { StepKind } from '../../../core/pot/kinds/names';
import { useSay } from '../../shared/hooks/useSay';
import { lazily } from '../../shared/lazily';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';
import { type RecipeForm, stepForm } from './form/form';
import { StepCard } from './StepCard';

/** Loaded when first opened. */
const StepKinds = lazily(async () => (await import('./StepKinds')).StepKinds);

/** Which card is open: a step's by its place, the soup's own, or none. */
export type OpenCard = number | 'soup' | null;

type Props = {
  readonly open: OpenCard;
  readonly onOpen: (next: OpenCard | ((now: OpenCard) => OpenCard)) => void;
  readonly problemAt: (path: string) => string | undefined;
};

/** What is said of a step that is dragged, or moved by keys; `stepOf` counts from 1. */
function useTold(stepOf: (id: unknown) => number) {
  const say = useSay();
  const at = (id: unknown) => ({ step: stepOf(id) });
  return {
    screenReaderInstructions: {
      draggable: say('Space picks the step up, the arrows move it, space puts it down, Escape leaves it.'),
    },
    announcements: {
      onDragStart: ({ active }) => say('Step {step} is picked up.', at(active.id)),
      onDragOver: ({ over }) => (over ? say('It is over step {step}.', at(over.id)) : undefined),
      onDragEnd: ({ over }) => (over ? say('It stands where step {step} was.', at(over.id)) : undefined),
      onDragCancel: ({ active }) => say('Step {step} stays where it is.', at(active.id)),
    },
  } satisfies Parameters<typeof DndContext>[0]['accessibility'];
}

/** The steps of a recipe, in order: opened, moved, copied, taken out, and one more put in. */
export function StepList({ open, onOpen, problemAt }: Props) {
  const say = useSay();
  const { control, getValues, setValue } = useFormContext<RecipeForm>();
  const { fields, append, move, insert, remove } = useFieldArray({ control, name: 'steps' });
  const [pans, steps] = useWatch({ control, name: ['pans', 'steps'] });
  const [adding, setAdding] = useState(false);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const shift = (from: number, to: number) => {
    move(from, to);
    onOpen((now) => (now === from ? to : now));
  };
  const placeOf = (id: unknown): number => fields.findIndex((f) => f.id === id);
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const [from, to] = [placeOf(active.id), placeOf(over?.id)];
    if (from === -1 || to === -1 || from === to) return;
    // Dropped among the steps of a pan it is done in that pan.
    const pan = getValues(`steps.${to}.in`);
    shift(from, to);
    if (getValues('pans').length > 0) setValue(`steps.${to}.in`, pan, { shouldDirty: true });
  };
  const add = (kind: StepKind) => {
    const pan = kind === 'roast' ? (getValues('pans').find((p) => p.as === 'tray')?.name ?? '') : '';
    const fresh = { ...stepForm(FORMS[kind].fresh), in: pan };
    // What is poured comes out of a pan.
    const from = kind === 'pour' ? getValues('pans').at(-1)?.name : undefined;
    append(from ? { ...fresh, values: { ...fresh.values, from } } : fresh);
    onOpen(fields.length);
    setAdding(false);
  };
  const told = useTold((id) => placeOf(id) + 1);
  return (
    <>
      <DndContext
        accessibility={told}
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={onDragEnd}
      >
        <SortableContext items={fields.map((f) => f.id)} strategy={verticalListSortingStrategy}>
          <ol className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-2" aria-label={say('Steps')}>
            {fields.map((f, n) => (
              <StepCard
                key={f.id}
                heads={pans.length > 0 && (n === 0 || steps[n]?.in !== steps[n - 1]?.in)}
                sortId={f.id}
                index={n}
                count={fields.length}
                open={open === n}
                onToggle={() => onOpen(open === n ? null : n)}
                onMove={(to) => shift(n, to)}
                onCopy={() => {
                  insert(n + 1, structuredClone(getValues(`steps.${n}`)));
                  onOpen(n + 1);
                }}
                onRemove={() => {
                  remove(n);
                  onOpen(null);
                }}
                problemAt={problemAt}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <button type="button" className={`mt-3 ${BUTTON}`} onClick={() => setAdding(true)}>
        <Plus size={20} aria-hidden /> {say('Step')}
      </button>
      <Sheet open={adding} onOpenChange={setAdding} title={say('Which step')}>
        <StepKinds onPick={add} />
      </Sheet>
    </>
  );
}
