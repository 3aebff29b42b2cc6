'use client';

import { useState } from 'react';
import type { EventBody, Fork, Looks, Taste } from '../../../core/batch/events';
import { rimVolume } from '../../../core/heat/vessel';
import { type Message, message } from '../../../core/message/message';
import { massG } from '../../../core/pot/contents/contents';
import { degrees, type Show } from '../../../core/units/shown/show';
import type { Going } from '../../device/useFollow';
import { NumberEntry, nearby } from '../../shared/form/NumberEntry';
import { Segments } from '../../shared/form/Segments';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';
import { Sheet } from '../../shared/Sheet';
import { PickOne } from './Pick';
import { PutIn } from './PutIn';
import { TemperatureEntry } from './TemperatureEntry';

const READINGS = ['temperature', 'level', 'scale', 'taste', 'dice', 'look', 'put in'] as const;
export type ReadingKind = (typeof READINGS)[number];

const TITLES: Readonly<Record<ReadingKind, Message>> = {
  temperature: message('Temperature'),
  level: message('Level in the pot'),
  scale: message('The pot on the scale'),
  taste: message('Taste for salt'),
  dice: message('Fork in the largest piece'),
  look: message('How it looks'),
  'put in': message('Something put in'),
};

const FORKS: readonly { value: Fork; words: Message; aside: Message }[] = [
  { value: 'hard', words: message('Hard'), aside: message('the fork does not go in') },
  { value: 'nearly', words: message('Nearly'), aside: message('in, but it holds the fork') },
  { value: 'tender', words: message('Tender'), aside: message('through without pressing') },
  { value: 'falling', words: message('Falling'), aside: message('breaks at the edges') },
];
const TASTES: readonly { value: Taste; words: Message; aside: Message }[] = [
  { value: 'flat', words: message('Flat'), aside: message('wants salt') },
  { value: 'right', words: message('Right'), aside: message('leave it') },
  { value: 'salty', words: message('Salty'), aside: message('too much already') },
];
const LOOK: readonly { value: Looks; words: Message; aside: Message }[] = [
  { value: 'smooth', words: message('Smooth'), aside: message('as it should be') },
  { value: 'lumps', words: message('Lumps'), aside: message('dry flour inside when pressed') },
  { value: 'split', words: message('Split'), aside: message('grainy, or fat and water part') },
  { value: 'skin', words: message('Skin'), aside: message('a film on top') },
  { value: 'scorched', words: message('Scorched'), aside: message('smells or sticks at the bottom') },
];

type Props = {
  readonly kind: ReadingKind;
  readonly going: Going;
  readonly show: Show;
  readonly probe: { readonly id: string; readonly name: string; readonly value: number } | null;
  readonly scale: { readonly id: string; readonly name: string; readonly value: number } | null;
  readonly onTake: (body: EventBody) => void;
  readonly onClose: () => void;
};

const round = (value: number, to: number): number => Math.round(value / to) * to;

/** One reading, written down in two taps: the pad that opened it, and the answer. */
export function ReadingSheet({ kind, onClose, ...rest }: Props) {
  const say = useSay();
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say(TITLES[kind])}>
      <Body kind={kind} {...rest} />
    </Sheet>
  );
}

function Body({ kind, going, show, probe, scale, onTake }: Omit<Props, 'onClose'>) {
  const say = useSay();
  const { pot, seen } = going;
  const units = useUnits();
  switch (kind) {
    case 'temperature':
      return (
        <TemperatureEntry
          show={show}
          near={pot.celsius}
          probe={probe}
          onTake={(celsius, from) => onTake({ kind: 'temperature', celsius, ...(from !== null && { from }) })}
        />
      );
    case 'level':
      return <Level going={going} onTake={onTake} />;
    case 'scale': {
      const empty = pot.vessel.massG;
      const rim = rimVolume(pot.vessel);
      const value = scale && scale.value > empty ? round(scale.value, 1) : null;
      const unit = units.of('g');
      const us = show.volume === 'gal';
      const shown = (g: number): number => round(unit.shown(g), us ? 0.1 : 1);
      return (
        <>
          <p className="px-4 pt-3">
            {say('Pot and all: the {empty} of the empty pot are taken off.', {
              empty: { g: Math.round(empty) },
            })}
          </p>
          <NumberEntry
            asked={{
              what: say('Weight'),
              unit: unit.unit,
              from: Math.ceil(shown(empty + 20)),
              to: Math.floor(shown(empty + rim * 1.1)),
              decimals: us ? 1 : 0,
              near: nearby(shown(massG(pot) + empty), us ? 4 : 100, shown(empty), shown(empty + rim * 1.1)),
              device: value !== null && scale ? { name: scale.name, value: shown(value) } : null,
            }}
            onTake={(v) => onTake({ kind: 'mass', g: Math.max(20, Math.round(unit.inner(v) - empty)) })}
          />
        </>
      );
    }
    case 'taste':
      return (
        <PickOne
          says={say.rich(
            'By what went in it holds <b>{saltPercent} %</b> salt; the house wants {saltPercent2} %.',
            {
              b: (text) => <b>{text}</b>,
              saltPercent: seen.saltPercent.toFixed(2),
              saltPercent2: going.followed.kitchen.saltPercent.toFixed(2),
            },
          )}
          options={TASTES}
          onTake={(taste) => onTake({ kind: 'salt', taste })}
        />
      );
    case 'dice':
      return <PickOne options={FORKS} onTake={(fork) => onTake({ kind: 'dice', fork })} />;
    case 'look':
      return <PickOne options={LOOK} onTake={(looks) => onTake({ kind: 'look', looks })} />;
    case 'put in':
      return (
        <>
          <p className="px-4 pt-3">
            {say('It goes into the pot as it now stands, at {celsius}, and the plan reckons with it.', {
              celsius: degrees(pot.celsius, show),
            })}
          </p>
          <PutIn onTake={onTake} />
        </>
      );
  }
}

/** By a ruler on the wall, or by litre marks. */
function Level({ going, onTake }: { going: Going; onTake: (body: EventBody) => void }) {
  const say = useSay();
  const [by, setBy] = useState<'cm' | 'L'>('cm');
  const { vessel } = going.pot;
  const { depthMm, volumeMl } = going.seen;
  const cm = by === 'cm';
  const unit = useUnits().of('ml');
  const most = cm ? vessel.heightMm / 10 : unit.shown(rimVolume(vessel));
  const from = cm ? 0.1 : 0.02;
  const step = cm ? 0.2 : volumeMl > 20_000 ? 0.5 : volumeMl > 6000 ? 0.2 : 0.1;
  return (
    <>
      <div className="px-4 pt-3">
        <Segments
          label={say('Read by')}
          value={by}
          options={[
            { value: 'cm', words: say('Depth, cm') },
            { value: 'L', words: unit.unit === 'L' ? say('Litres') : say('Quarts') },
          ]}
          onChange={setBy}
        />
      </div>
      <NumberEntry
        key={by}
        asked={{
          what: cm ? say('Depth') : say('Volume'),
          unit: cm ? 'cm' : unit.unit,
          from,
          to: Math.floor(most * 10) / 10,
          decimals: 1,
          near: nearby(cm ? depthMm / 10 : unit.shown(volumeMl), step, from, most),
        }}
        onTake={(v) =>
          onTake(
            cm
              ? { kind: 'depth', mm: Math.round(v * 100) / 10 }
              : { kind: 'volume', ml: Math.round(unit.inner(v)) },
          )
        }
      />
    </>
  );
}
