'use client';

import { type ReactNode, Suspense } from 'react';
import { v4 as uuid } from 'uuid';
import type { KeepBody, KeepBodyOf, KeepEvent } from '../../../core/keep/events';
import type { Lot, LotState } from '../../../core/keep/lot';
import { rulesIn } from '../../../core/keep/standing';
import { dateMark } from '../../../core/keep/written/dates';
import type { House } from '../../../core/kitchen/house';
import type { PlaceKind } from '../../../core/kitchen/keeping';
import { same } from '../../../core/maths/same';
import { type Message, message } from '../../../core/message/message';
import type { Devices } from '../../device/devices';
import { useSay } from '../../shared/hooks/useSay';
import { lazily } from '../../shared/lazily';
import type { CoolingAnswers, KeeperHere } from '../useKeeper';
import type { ProbeNow } from '../useProbe';
import { partOf } from './parting';

const WaySheet = lazily(async () => (await import('./WaySheet')).WaySheet);
const ReadSheet = lazily(async () => (await import('./ReadSheet')).ReadSheet);
const ProbePick = lazily(async () => (await import('./ProbePick')).ProbePick);
const WrongSheet = lazily(async () => (await import('./WrongSheet')).WrongSheet);
const PlaceSheet = lazily(async () => (await import('./PlaceSheet')).PlaceSheet);
const TakeSheet = lazily(async () => (await import('../shelf/TakeSheet')).TakeSheet);
const ReheatSheet = lazily(async () => (await import('../shelf/ReheatSheet')).ReheatSheet);
const ReheatedSheet = lazily(async () => (await import('../shelf/ReheatedSheet')).ReheatedSheet);
const PutBySheet = lazily(async () => (await import('../shelf/PutBySheet')).PutBySheet);
const TopUpSheet = lazily(async () => (await import('../shelf/TopUpSheet')).TopUpSheet);
const HotSheet = lazily(async () => (await import('./HotSheet')).HotSheet);
const LabelSheet = lazily(async () => (await import('./LabelSheet')).LabelSheet);
const ProbesSheet = lazily(async () => (await import('./ProbesSheet')).ProbesSheet);

export type SheetName =
  | 'way'
  | 'read'
  | 'probe'
  | 'wrong'
  | 'cooled'
  | 'take'
  | 'move'
  | 'freeze'
  | 'thaw'
  | 'reheat'
  | 'reheated'
  | 'top up'
  | 'put by'
  | 'hot'
  | 'labels'
  | 'probes';

type Props = {
  readonly house: House;
  readonly name: SheetName | null;
  readonly state: LotState | null;
  readonly thing: Lot | null;
  readonly now: number | null;
  readonly devices: Devices;
  readonly kitchenLines: readonly KeepEvent[];
  readonly served: number;
  readonly onServed: (ml: number) => void;
  readonly probe: ProbeNow | null;
  readonly working: KeeperHere;
  readonly cooling: CoolingAnswers | null;
  readonly onWrite: (body: KeepBody) => void;
  readonly onKitchen: (body: KeepBody) => void;
  readonly onPut: (id: string, body: KeepBody) => void;
  readonly onParted: (id: string, put: KeepBodyOf<'put by'>, parted: KeepBody) => void;
  readonly onClose: () => void;
};

const COLD: readonly PlaceKind[] = ['fridge', 'cold room', 'freezer'];

/** A sheet about one thing, with all it may ask. */
type Open = Props & { readonly state: LotState; readonly thing: Lot; readonly now: number };

/** It is cold: put away, and what its room was found to be is kept. */
function Cooled({ house, state, cooling, onWrite, onClose }: Open) {
  const say = useSay();
  return (
    <PlaceSheet
      house={house}
      state={state}
      title={say('Put it away')}
      does={say('It is cold and put away')}
      kinds={COLD}
      onTake={({ place, container }) => {
        const film = cooling?.found?.forecast.fit.film;
        const asPoured = same(container, state.container);
        // A kitchen learns its rooms from what cooled in them, where somebody read it twice.
        const read = state.readings.filter((r) => r.at > state.wayAt).length >= 2;
        onWrite({
          kind: 'cooled',
          place,
          ...(film &&
            read &&
            state.way && {
              film: { place: state.way.place, factor: film.factor, spread: film.spread },
            }),
        });
        if (!asPoured) onWrite({ kind: 'moved', place, container });
      }}
      onClose={onClose}
    />
  );
}

/** What each way of moving is called, and where it may go. */
const MOVES = {
  move: { title: message('Move it'), does: message('Move it there'), kinds: COLD },
  freeze: { title: message('Freeze it'), does: message('Freeze it'), kinds: ['freezer'] },
  thaw: { title: message('Thaw it'), does: message('Thaw it there'), kinds: ['fridge', 'cold room'] },
} as const satisfies {
  readonly [name: string]: { title: Message; does: Message; kinds: readonly PlaceKind[] };
};

/** Moved to another place, all of it or a part, which is then a thing of its own. */
function Moved({ house, state, now, to, onWrite, onParted, onClose }: Open & { to: keyof typeof MOVES }) {
  const say = useSay();
  const { title, does, kinds } = MOVES[to];
  return (
    <PlaceSheet
      house={house}
      state={state}
      part
      title={say(title)}
      does={say(does)}
      kinds={kinds}
      onTake={({ place, container, ml }) => {
        if (ml >= state.ml) return onWrite({ kind: 'moved', place, container });
        const id = uuid();
        const mark = dateMark(state, rulesIn(house), now);
        onParted(id, partOf(state, mark, { place, container, ml }), { kind: 'parted', ml, into: id });
      }}
      onClose={onClose}
    />
  );
}

/** What is likeliest wrong with it, as the sheet opens. */
const whyOf = ({ state, house, now }: Open) =>
  state.stage === 'hot'
    ? 'too cold too long'
    : state.stage === 'cooling'
      ? 'cooled too slowly'
      : dateMark(state, rulesIn(house), now).left < 0
        ? 'past its date'
        : 'left over';

/** The sheet of each name, about one thing. */
const ABOUT: { readonly [N in Exclude<SheetName, 'probes' | 'put by'>]: (o: Open) => ReactNode } = {
  way: ({ house, thing, state, now, working, onWrite, onClose }) => (
    <WaySheet
      house={house}
      lot={thing}
      state={state}
      now={now}
      working={working}
      onWay={(way) => onWrite({ kind: 'set to cool', way })}
      onClose={onClose}
    />
  ),
  read: ({ state, onWrite, onClose }) => (
    <ReadSheet
      near={state.readings.at(-1)?.celsius ?? (state.stage === 'hot' ? 70 : 60)}
      onTake={onWrite}
      onClose={onClose}
    />
  ),
  probe: ({ state, devices, kitchenLines, now, onWrite, onClose }) => (
    <ProbePick
      state={state}
      devices={devices}
      kitchenLines={kitchenLines}
      now={now}
      onTake={onWrite}
      onClose={onClose}
    />
  ),
  wrong: (o) => (
    <WrongSheet house={o.house} state={o.state} why={whyOf(o)} onTake={o.onWrite} onClose={o.onClose} />
  ),
  cooled: (o) => <Cooled {...o} />,
  take: ({ state, onWrite, onClose }) => <TakeSheet state={state} onTake={onWrite} onClose={onClose} />,
  move: (o) => <Moved {...o} to="move" />,
  freeze: (o) => <Moved {...o} to="freeze" />,
  thaw: (o) => <Moved {...o} to="thaw" />,
  reheat: ({ house, thing, state, working, now, onWrite, onClose }) => (
    <ReheatSheet
      house={house}
      lot={thing}
      state={state}
      working={working}
      now={now}
      onTake={(bodies) => {
        for (const body of bodies) onWrite(body);
      }}
      onClose={onClose}
    />
  ),
  reheated: ({ house, probe, onWrite, onClose }) => (
    <ReheatedSheet house={house} celsius={probe?.celsius ?? null} onTake={onWrite} onClose={onClose} />
  ),
  hot: ({ house, state, served, onServed, onWrite, onClose }) => (
    <HotSheet
      house={house}
      state={state}
      servedPerHour={served}
      onServed={onServed}
      onTake={onWrite}
      onClose={onClose}
    />
  ),
  labels: ({ state, onWrite, onClose }) => <LabelSheet state={state} onTake={onWrite} onClose={onClose} />,
  'top up': ({ onClose }) => <TopUpSheet onClose={onClose} />,
};

/** Whichever sheet is open. */
export function Sheets(props: Props) {
  const { house, name, state, thing, now, onClose } = props;
  if (name === null || now === null) return null;
  if (name === 'probes')
    return (
      <Suspense>
        <ProbesSheet
          house={house}
          devices={props.devices}
          kitchenLines={props.kitchenLines}
          now={now}
          onWrite={props.onKitchen}
          onClose={onClose}
        />
      </Suspense>
    );
  if (name === 'put by')
    return (
      <Suspense>
        <PutBySheet house={house} onTake={props.onPut} onClose={onClose} />
      </Suspense>
    );
  if (!state || !thing) return null;
  return <Suspense>{ABOUT[name]({ ...props, state, thing, now })}</Suspense>;
}
