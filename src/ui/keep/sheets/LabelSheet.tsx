'use client';

import type { KeepBody } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import { LABEL_SIZES, type LabelSizeId } from '../../../core/keep/written/labels';
import { type Message, message } from '../../../core/message/message';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';

const SIZES: Readonly<Record<LabelSizeId, Message>> = {
  A4: message('A4 sheet, 18 of 70 × 49.5 mm'),
  Letter: message('Letter sheet, 10 of 4 × 2 in'),
  'roll 62': message('Roll, 62 mm wide'),
  'roll 57': message('Roll, 57 mm wide'),
  'roll 40': message('Roll, 40 mm wide'),
};

const KEY = 'panache.labels';

const remembered = (): LabelSizeId => {
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(KEY);
  return LABEL_SIZES.find((s) => s.id === kept)?.id ?? 'roll 62';
};

type Props = {
  readonly state: LotState;
  readonly onTake: (body: KeepBody) => void;
  readonly onClose: () => void;
};

type Typed = { size: LabelSizeId; count: string; from: string };

/** How many a sheet of them takes; null of a roll. */
const perSheet = (size: LabelSizeId): number | null =>
  size === 'A4' || size === 'Letter'
    ? (LABEL_SIZES.find((s) => s.id === size)?.grid.reduce<number>((a, b) => a * b, 1) ?? 1)
    : null;

/** What is to be printed, as it is typed: so many, from that place of a sheet begun before on. */
function useLabels({ state, onTake }: Omit<Props, 'onClose'>) {
  const say = useSay();
  const read = ({ size, count, from }: Typed) => {
    const n = typedNumber(count);
    const f = typedNumber(from);
    const per = perSheet(size);
    if (!(typeof n === 'number' && Number.isInteger(n) && n >= 1 && n <= 200))
      return new Wrong<keyof Typed>(
        'count',
        say('“{count}” cannot be: labels are a number from 1 to 200.', { count }),
      );
    if (per === null) return { size, n, first: 0 };
    if (!(typeof f === 'number' && Number.isInteger(f) && f >= 1 && f <= per))
      return new Wrong<keyof Typed>('from', say('A place of the sheet, 1 to {per}.', { per }));
    return { size, n, first: f - 1 };
  };
  const asItStands: Typed = {
    size: remembered(),
    count: String(state.container.kind === 'pans' ? state.container.count : 1),
    from: '1',
  };
  return useTyped(asItStands, read, ({ size, n, first }) => {
    localStorage.setItem(KEY, size);
    const q = new URLSearchParams({ lot: state.id, size, count: String(n), from: String(first) });
    // A new tab shows it to the printer at once; where that is not allowed the file is kept.
    window.open(`/api/keep/labels?${q}`, '_blank', 'noopener');
    onTake({ kind: 'labelled', count: n, size, again: state.labels > 0 });
  });
}

/** How many labels, on what: made as a PDF at true scale, and counted. */
export function LabelSheet({ state, onTake, onClose }: Props) {
  const say = useSay();
  const f = useLabels({ state, onTake });
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Labels')}>
      <Form onSubmit={f.send}>
        <Pick id="label-size" label={say('On what')} {...f.field('size')}>
          {LABEL_SIZES.map((s) => (
            <option key={s.id} value={s.id}>
              {say(SIZES[s.id])}
            </option>
          ))}
        </Pick>
        <div className="grid gap-4 min-[480px]:grid-cols-2">
          <Field
            id="label-count"
            label={say('How many')}
            inputMode="numeric"
            {...f.field('count')}
            hint={
              state.labels > 0
                ? say('{labels} printed before: these are marked as printed again', { labels: state.labels })
                : say('one for each container')
            }
          />
          {perSheet(f.typed.size) !== null && (
            <Field
              id="label-from"
              label={say('From place')}
              inputMode="numeric"
              {...f.field('from')}
              hint={say('a sheet begun before goes on there')}
            />
          )}
        </div>
        <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Make the PDF')}
        </button>
        <p className="text-[15px] text-quiet">
          {say('Print at 100 %, not fitted to the page. The code opens the record on this server.')}
        </p>
      </Form>
    </Sheet>
  );
}
