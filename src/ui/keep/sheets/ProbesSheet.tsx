'use client';

import type { KeepBody, KeepEvent } from '../../../core/keep/events';
import { probeStanding, shouldShow } from '../../../core/keep/probes';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { dayAndTime } from '../../../core/units/clock';
import { typedNumber } from '../../../core/units/typed/parse';
import { type Devices, standingOf } from '../../device/devices';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { Segments } from '../../shared/form/Segments';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON, PRIMARY } from '../../shared/styles';

type Props = {
  readonly house: House;
  readonly devices: Devices;
  readonly kitchenLines: readonly KeepEvent[];
  readonly now: number;
  readonly onWrite: (body: KeepBody) => void;
  readonly onClose: () => void;
};

type PropsOf<K extends keyof Props> = { readonly [P in K]: Props[P] };

const OTHER = '…';

type Typed = { probe: string; other: string; point: 'ice' | 'boil'; shows: string };

/** Probes in melting ice and in boiling water: how far each is out, and what is done about one that is out too far. */
export function ProbesSheet({ house, devices, kitchenLines, now, onWrite, onClose }: Props) {
  const say = useSay();
  const there = devices.all.filter((d) => d.kind === 'thermometer');
  const checked = kitchenLines.flatMap((e) => (e.body.kind === 'probe checked' ? [e.body.probe] : []));
  const names = [...new Set([...there.map((d) => d.name), ...checked])];
  const nameIn = ({ probe, other }: Typed) => (probe === OTHER ? other.trim() : probe);
  const check = (celsius: number) => {
    const { point } = f.typed;
    const expected = shouldShow(point, house.kitchen);
    onWrite({ kind: 'probe checked', probe: name, point, celsius, expected });
  };
  const asItStands: Typed = { probe: names[0] ?? OTHER, other: '', point: 'ice', shows: '' };
  const f = useTyped(
    asItStands,
    (typed) => {
      const v = typedNumber(typed.shows);
      if (nameIn(typed) === '') return new Wrong<keyof Typed>('other', say('Give it a name.'));
      if (!(typeof v === 'number' && v >= -10 && v <= 115))
        return new Wrong<keyof Typed>(
          'shows',
          say('“{typed}” cannot be: it shows {range}.', {
            typed: typed.shows,
            range: { celsius: -10, toCelsius: 115 },
          }),
        );
      return v;
    },
    (v) => {
      f.set('shows', '');
      check(v);
    },
  );
  const name = nameIn(f.typed);
  const device = there.find((d) => d.name === f.typed.probe);
  const live = device ? standingOf(device, now).value : null;
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Probes')}>
      <div className="grid gap-4 p-4">
        <Checked names={names} kitchenLines={kitchenLines} now={now} />
        <CheckForm house={house} names={names} f={f} live={live} name={name} onCheck={check} />
        {probeStanding(name, kitchenLines, now).out && <RightAgain name={name} onWrite={onWrite} />}
      </div>
    </Sheet>
  );
}

type CheckedProps = PropsOf<'kitchenLines' | 'now'> & { readonly names: readonly string[] };

/** How far each is out, and when that was looked at. */
function Checked({ names, kitchenLines, now }: CheckedProps) {
  const say = useSay();
  return (
    <ul className="grid gap-1">
      {names.map((n) => {
        const s = probeStanding(n, kitchenLines, now);
        return (
          <li key={n} className={s.out ? 'font-bold text-tomato' : ''}>
            <b>{n}</b>{' '}
            {s.out
              ? say('is out by more than a degree: not used until it is put right')
              : s.checkedAt === null
                ? say('was never checked')
                : say('checked {at}, put right by {by}{due, select, yes {; due again} other {}}', {
                    at: dayAndTime(new Date(s.checkedAt)),
                    by: { kelvin: s.correction },
                    due: s.due ? 'yes' : 'no',
                  })}
          </li>
        );
      })}
    </ul>
  );
}

type CheckProps = PropsOf<'house'> & {
  readonly names: readonly string[];
  readonly f: ReturnType<typeof useTyped<Typed, number>>;
  /** °C the probe shows now; null where it is none of those that send. */
  readonly live: number | null;
  readonly name: string;
  readonly onCheck: (celsius: number) => void;
};

function CheckForm({ house, names, f, live, name, onCheck }: CheckProps) {
  const say = useSay();
  return (
    <Form className="grid gap-3 border-rule border-t pt-3" onSubmit={f.send}>
      <div className="grid gap-3 min-[560px]:grid-cols-2">
        <Pick id="probe-name" label={say('Which probe')} {...f.field('probe')}>
          {names.map((n) => (
            <option key={n} value={n}>
              {n}
            </option>
          ))}
          <option value={OTHER}>{say('another')}</option>
        </Pick>
        {f.typed.probe === OTHER && (
          <Field id="probe-other" label={say('Its name')} maxLength={60} {...f.field('other')} />
        )}
      </div>
      <Segments
        label={say('In what')}
        value={f.typed.point}
        options={[
          { value: 'ice', words: say('Melting ice, {at}', { at: { celsius: 0 } }) },
          {
            value: 'boil',
            words: say('Boiling water, {at} here', {
              at: { celsius: shouldShow('boil', house.kitchen), exact: true },
            }),
          },
        ]}
        onChange={(point) => f.set('point', point)}
      />
      {live !== null && (
        <button
          type="button"
          className={`${PRIMARY} min-h-16 justify-between`}
          onClick={() => onCheck(Math.round(live * 10) / 10)}
        >
          {say.rich('{name} shows<b>{value}</b>', {
            b: (text) => <b className="figures text-[28px]">{text}</b>,
            name,
            value: { celsius: live, exact: true },
          })}
        </button>
      )}
      <div className="grid gap-3 min-[560px]:grid-cols-[1fr_auto] min-[560px]:items-start">
        <MetricField
          id="probe-typed"
          words={message('It shows, {unit}')}
          what="celsius"
          {...f.metric('shows')}
        />
        <button type="submit" className={`${BUTTON} min-[560px]:mt-7`}>
          {say('Write it down')}
        </button>
      </div>
    </Form>
  );
}

type RightProps = PropsOf<'onWrite'> & { readonly name: string };

/** What was done about one that is out. */
function RightAgain({ name, onWrite }: RightProps) {
  const say = useSay();
  const f = useTyped(
    { how: '' },
    ({ how }) => how.trim() || new Wrong('how', say('Write what was done.')),
    (how) => {
      onWrite({ kind: 'probe put right', probe: name, how });
      f.set('how', '');
    },
  );
  return (
    <Form className="grid gap-3 border-ink border-t-2 pt-3" onSubmit={f.send}>
      <Field
        id="probe-how"
        label={say('{name} was put right: how', { name })}
        maxLength={200}
        {...f.field('how')}
        hint={say('adjusted, battery, replaced; then check it again')}
      />
      <button type="submit" className={BUTTON}>
        {say('It is right again')}
      </button>
    </Form>
  );
}
