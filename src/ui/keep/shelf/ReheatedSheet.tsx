'use client';

import type { KeepBody } from '../../../core/keep/events';
import { rulesIn } from '../../../core/keep/standing';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';

type Props = {
  readonly house: House;
  /** °C a probe shows in it, where one does. */
  readonly celsius: number | null;
  readonly onTake: (body: KeepBody) => void;
  readonly onClose: () => void;
};

/** That it has come to its temperature, and was held there. */
export function ReheatedSheet({ house, celsius, onTake, onClose }: Props) {
  const say = useSay();
  const degrees = useUnits().of('celsius');
  const { to, forSeconds } = rulesIn(house).reheat;
  const places = house.keeping.places.filter((p) => p.kind === 'bath' || p.kind === 'ring');
  const f = useTyped(
    {
      celsius: celsius === null ? '' : String(celsius),
      held: String(forSeconds),
      place: places.find((p) => p.kind === 'ring')?.id ?? places[0]?.id ?? '',
    },
    ({ celsius: typed, held, place }) => {
      const c = typedNumber(typed);
      const s = typedNumber(held);
      if (!(typeof c === 'number' && c >= to && c <= 110))
        return new Wrong(
          'celsius',
          say('“{typed}” is not enough: {to} at the least, in the middle.', {
            typed: degrees.text(Number(typed)) === 'NaN' ? typed : degrees.text(Number(typed)),
            to: { celsius: to },
          }),
        );
      if (!(typeof s === 'number' && s >= forSeconds && s <= 3600))
        return new Wrong('held', say('Held {seconds} s at the least.', { seconds: forSeconds }));
      return { kind: 'reheated' as const, celsius: c, seconds: s, ...(place && { place }) };
    },
    onTake,
  );
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('It is hot again')}>
      <Form onSubmit={f.send}>
        <div className="grid gap-4 min-[480px]:grid-cols-2">
          <MetricField
            id="reheated-celsius"
            words={message('Temperature in the middle, {unit}')}
            what="celsius"
            {...f.metric('celsius')}
          />
          <Field id="reheated-held" label={say('Held there, s')} inputMode="numeric" {...f.field('held')} />
        </div>
        {places.length > 0 && (
          <Pick id="reheated-place" label={say('Where it is kept hot')} {...f.field('place')}>
            {places.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Pick>
        )}
        <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Write it down')}
        </button>
      </Form>
    </Sheet>
  );
}
