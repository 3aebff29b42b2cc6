'use client';

import { useState } from 'react';
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

const OTHER = '…';

/** Probes in melting ice and in boiling water: how far each is out, and what is done about one that is out too far. */
export function ProbesSheet({ house, devices, kitchenLines, now, onWrite, onClose }: Props) {
  const say = useSay();
  const there = devices.all.filter((d) => d.kind === 'thermometer');
  const checked = kitchenLines.flatMap((e) => (e.body.kind === 'probe checked' ? [e.body.probe] : []));
  const names = [...new Set([...there.map((d) => d.name), ...checked])];
  const [probe, setProbe] = useState(names[0] ?? OTHER);
  const [other, setOther] = useState('');
  const [point, setPoint] = useState<'ice' | 'boil'>('ice');
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<{ field: string; says: string } | null>(null);
  const [how, setHow] = useState('');
  const expected = shouldShow(point, house.kitchen);
  const device = there.find((d) => d.name === probe);
  const live = device ? standingOf(device, now).value : null;
  const name = probe === OTHER ? other.trim() : probe;
  const standing = probeStanding(name, kitchenLines, now);
  const check = (celsius: number) =>
    onWrite({ kind: 'probe checked', probe: name, point, celsius, expected });
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Probes')}>
      <div className="grid gap-4 p-4">
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
        <Form
          className="grid gap-3 border-rule border-t pt-3"
          onSubmit={() => {
            const v = typedNumber(typed);
            if (name === '') return setProblem({ field: 'other', says: say('Give it a name.') });
            if (!(typeof v === 'number' && v >= -10 && v <= 115))
              return setProblem({
                field: 'typed',
                says: say('“{typed}” cannot be: it shows {range}.', {
                  typed,
                  range: { celsius: -10, toCelsius: 115 },
                }),
              });
            setProblem(null);
            setTyped('');
            check(v);
          }}
        >
          <div className="grid gap-3 min-[560px]:grid-cols-2">
            <Pick
              id="probe-name"
              label={say('Which probe')}
              value={probe}
              onChange={(e) => setProbe(e.target.value)}
            >
              {names.map((n) => (
                <option key={n} value={n}>
                  {n}
                </option>
              ))}
              <option value={OTHER}>{say('another')}</option>
            </Pick>
            {probe === OTHER && (
              <Field
                id="probe-other"
                label={say('Its name')}
                value={other}
                maxLength={60}
                onChange={(e) => setOther(e.target.value)}
                problem={problem?.field === 'other' ? problem.says : undefined}
              />
            )}
          </div>
          <Segments
            label={say('In what')}
            value={point}
            options={[
              { value: 'ice', words: say('Melting ice, {at}', { at: { celsius: 0 } }) },
              {
                value: 'boil',
                words: say('Boiling water, {at} here', {
                  at: { celsius: shouldShow('boil', house.kitchen), exact: true },
                }),
              },
            ]}
            onChange={setPoint}
          />
          {live !== null && (
            <button
              type="button"
              className={`${PRIMARY} min-h-16 justify-between`}
              onClick={() => check(Math.round(live * 10) / 10)}
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
              value={typed}
              onValue={setTyped}
              problem={problem?.field === 'typed' ? problem.says : undefined}
            />
            <button type="submit" className={`${BUTTON} min-[560px]:mt-7`}>
              {say('Write it down')}
            </button>
          </div>
        </Form>
        {standing.out && (
          <Form
            className="grid gap-3 border-ink border-t-2 pt-3"
            onSubmit={() => {
              if (how.trim() === '') return setProblem({ field: 'how', says: say('Write what was done.') });
              setHow('');
              onWrite({ kind: 'probe put right', probe: name, how: how.trim() });
            }}
          >
            <Field
              id="probe-how"
              label={say('{name} was put right: how', { name })}
              value={how}
              maxLength={200}
              onChange={(e) => setHow(e.target.value)}
              problem={problem?.field === 'how' ? problem.says : undefined}
              hint={say('adjusted, battery, replaced; then check it again')}
            />
            <button type="submit" className={BUTTON}>
              {say('It is right again')}
            </button>
          </Form>
        )}
      </div>
    </Sheet>
  );
}
