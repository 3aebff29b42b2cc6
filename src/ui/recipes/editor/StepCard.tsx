'use client';

import { useSortable } from '@dnd-kit/sortable';
import { clsx } from 'clsx';
import { ChevronDown, ChevronUp, Copy, GripVertical, Trash2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { stepVerb } from '../../../core/formats/recipeWords';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';
import type { RecipeForm, StepFields } from './form/form';
import { summary } from './form/stepWords';
import { StepForm } from './StepForm';

type Props = {
  readonly sortId: string;
  readonly index: number;
  readonly count: number;
  readonly open: boolean;
  /** It is the first of those done one after another in one pan. */
  readonly heads: boolean;
  readonly onToggle: () => void;
  readonly onMove: (to: number) => void;
  readonly onCopy: () => void;
  readonly onRemove: () => void;
  readonly problemAt: (path: string) => string | undefined;
};

/** One step: closed a line, open its short form. Dragged by its grip, or moved by keys. */
export function StepCard({
  sortId,
  index,
  count,
  open,
  heads,
  onToggle,
  onMove,
  onCopy,
  onRemove,
  problemAt,
}: Props) {
  const say = useSay();
  const { control } = useFormContext<RecipeForm>();
  const step = useWatch({ control, name: `steps.${index}` });
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: sortId,
  });
  const card = useRef<HTMLLIElement | null>(null);
  useEffect(() => {
    if (open) card.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const problem = problemAt(`steps.${index}`);
  const inside = problemAt(`steps.${index}.`);
  const verb = say(stepVerb(step.kind));
  return (
    <li
      ref={(element) => {
        setNodeRef(element);
        card.current = element;
      }}
      style={{
        transform: transform ? `translate3d(0, ${Math.round(transform.y)}px, 0)` : undefined,
        transition,
      }}
      className={clsx(
        'rounded-sm border-2 bg-surface',
        inside || problem ? 'border-tomato' : 'border-ink',
        isDragging && 'relative z-30',
      )}
    >
      {heads && (
        <p className="bg-ink px-4 py-0.5 text-[15px] text-ground">
          {step.in ? say('In “{pan}”', { pan: step.in }) : say('In the pot')}
        </p>
      )}
      <div className="flex items-stretch">
        <button
          type="button"
          aria-label={say('Move step {index}, {verb}', { index: index + 1, verb })}
          className="grid w-12 shrink-0 cursor-grab touch-none place-items-center"
          {...attributes}
          {...listeners}
        >
          <GripVertical aria-hidden />
        </button>
        <Line index={index} open={open} onToggle={onToggle} wrong={Boolean(inside || problem)} />
      </div>
      {open && (
        <StepForm index={index} problem={problem} problemAt={problemAt}>
          <Doings {...{ index, count, onMove, onCopy, onRemove }} />
        </StepForm>
      )}
    </li>
  );
}

/** Moves it, copies it, takes it out. */
function Doings({
  index,
  count,
  onMove,
  onCopy,
  onRemove,
}: Omit<Props, 'sortId' | 'open' | 'heads' | 'onToggle' | 'problemAt'>) {
  const say = useSay();
  return (
    <div className="mt-3 flex flex-wrap gap-2">
      <button type="button" className={BUTTON} disabled={index === 0} onClick={() => onMove(index - 1)}>
        <ChevronUp size={20} aria-hidden /> {say('Up')}
      </button>
      <button
        type="button"
        className={BUTTON}
        disabled={index === count - 1}
        onClick={() => onMove(index + 1)}
      >
        <ChevronDown size={20} aria-hidden /> {say('Down')}
      </button>
      <button type="button" className={BUTTON} onClick={onCopy}>
        <Copy size={20} aria-hidden /> {say('Copy')}
      </button>
      <button type="button" className={BUTTON} disabled={count === 1} onClick={onRemove}>
        <Trash2 size={20} aria-hidden /> {say('Take out')}
      </button>
    </div>
  );
}

type LineProps = Pick<Props, 'index' | 'open' | 'onToggle'> & { readonly wrong: boolean };

/** The step in a line. */
function Line({ index, open, onToggle, wrong }: LineProps) {
  const say = useSay();
  const { control } = useFormContext<RecipeForm>();
  const step = useWatch({ control, name: `steps.${index}` });
  return (
    <button
      type="button"
      aria-expanded={open}
      onClick={onToggle}
      className="flex min-h-14 min-w-0 flex-1 items-center gap-3 py-1 text-left"
    >
      <span className="figures w-7 shrink-0 text-right text-quiet">{index + 1}</span>
      <span className="min-w-0 flex-1 leading-tight">
        <b>{say(stepVerb(step.kind))}</b>
        <span data-own className="block truncate text-[15px] text-quiet">
          {summary(step as StepFields, say)}
        </span>
      </span>
      {wrong && !open && <span className="font-bold text-tomato">{say('look here')}</span>}
      <span className="grid w-12 place-items-center">
        {open ? <ChevronUp aria-hidden /> : <ChevronDown aria-hidden />}
      </span>
    </button>
  );
}
