'use client';

import { Flame, Pin, PinOff } from 'lucide-react';
import type { House } from '../../../core/kitchen/house';
import { warningLine } from '../../../core/plan/warningWords';
import type { Bar } from '../../../core/service/board';
import { type BoardPlace, clockOf } from '../../../core/service/service';
import { askedVolume } from '../../../core/units/shown/show';
import { Pick } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { Sheet } from '../../shared/Sheet';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { Clock } from './HouseSheet';

type Props = {
  readonly bar: Bar;
  readonly name: string;
  readonly house: House;
  /** The batch of the record it was started as. */
  readonly batchId: string | null;
  readonly planHref: string;
  /** It is the service’s day: it can be lit. */
  readonly today: boolean;
  readonly onMove: (to: Partial<BoardPlace>) => void;
  readonly onStart: () => void;
  readonly onClose: () => void;
};

/** One batch of the service: where and when it stands, step by step, and its start. */
export function BarSheet({ bar, name, house, batchId, planHref, today, onMove, onStart, onClose }: Props) {
  const say = useSay();
  const { place, table, live, batch } = bar;
  return (
    <Sheet
      open
      onOpenChange={(open) => open || onClose()}
      title={say('{soup}, {litres}', { soup: name, litres: askedVolume(batch.litres, say.reader) })}
    >
      <div className="grid gap-4 p-4">
        {!live && <Where place={place} house={house} onMove={onMove} />}
        <p>
          {say('Ready {ready}, on the pass {due}.', { ready: clockOf(bar.readyAt), due: clockOf(batch.due) })}{' '}
          {table &&
            say('It may wait hot {minutes} min: {why}.', {
              minutes: table.wait.minutes,
              why: table.wait.why,
            })}
        </p>
        {table?.warnings
          .filter((w) => w.severity !== 'caution')
          .map((w) => (
            <p key={w.id} className="font-bold text-tomato">
              {say(warningLine(w))}
            </p>
          ))}
        {batchId ? (
          <Link className={PRIMARY} href={`/stove/${batchId}`}>
            <Flame size={22} aria-hidden /> {say('Open it on the stove')}
          </Link>
        ) : today ? (
          <button type="button" className={PRIMARY} onClick={onStart}>
            <Flame size={22} aria-hidden /> {say('Light it now')}
          </button>
        ) : null}
        <Link className={BUTTON} href={planHref}>
          {say('Open its plan')}
        </Link>
        <Steps bar={bar} />
      </div>
    </Sheet>
  );
}

type WhereProps = Pick<Props, 'house' | 'onMove'> & { readonly place: Bar['place'] };

/** Where and when it stands, until it is lit. */
function Where({ place, house, onMove }: WhereProps) {
  const say = useSay();
  return (
    <div className="grid grid-cols-2 gap-3">
      <Pick
        id="bar-burner"
        label={say('Burner')}
        value={place.burnerId}
        onChange={(e) => onMove({ burnerId: e.target.value })}
      >
        {house.burners.map((b) => (
          <option key={b.id} value={b.id}>
            {b.name}
          </option>
        ))}
      </Pick>
      <Pick
        id="bar-pot"
        label={say('Pot')}
        value={place.vesselId}
        onChange={(e) => onMove({ vesselId: e.target.value })}
      >
        {house.vessels.map((v) => (
          <option key={v.id} value={v.id}>
            {v.name}
          </option>
        ))}
      </Pick>
      <Clock
        key={place.lightAt}
        id="bar-light"
        label={say('Lit at')}
        value={place.lightAt}
        onValue={(lightAt) => onMove({ lightAt })}
      />
      <button
        type="button"
        className={`${BUTTON} self-end`}
        aria-pressed={place.pinned ?? false}
        onClick={() => onMove({ pinned: !place.pinned })}
      >
        {place.pinned ? <PinOff size={22} aria-hidden /> : <Pin size={22} aria-hidden />}
        {place.pinned ? say('Let it be moved') : say('Pin it here')}
      </button>
    </div>
  );
}

/** Its steps by the clock, those that want hands in bold. */
function Steps({ bar }: Pick<Props, 'bar'>) {
  const say = useSay();
  const { table, live } = bar;
  const shift = bar.readyAt - (table?.minutes ?? 0);
  return (
    <ol>
      {!live && (
        <li className="flex gap-3 border-rule border-b py-1.5">
          <span className="figures w-16 font-bold">{clockOf(bar.mise.from)}</span>
          <span>{say('Weigh out and cut, {minutes} min', { minutes: table?.mise ?? 0 })}</span>
        </li>
      )}
      {table?.stretches.map((s) => (
        <li key={`${s.step} ${s.from}`} className="flex gap-3 border-rule border-b py-1.5">
          <span className="figures w-16 font-bold">{clockOf(s.from + shift)}</span>
          <span className={s.hands ? 'font-bold' : 'text-quiet'}>
            {say(s.title)}, {s.to - s.from} min
          </span>
        </li>
      ))}
    </ol>
  );
}
