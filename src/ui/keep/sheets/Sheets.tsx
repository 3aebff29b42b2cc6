'use client';

import { Suspense } from 'react';
import { v4 as uuid } from 'uuid';
import type { KeepBody, KeepBodyOf, KeepEvent } from '../../../core/keep/events';
import type { Lot, LotState } from '../../../core/keep/lot';
import { rulesIn } from '../../../core/keep/standing';
import { dateMark } from '../../../core/keep/written/dates';
import type { House } from '../../../core/kitchen/house';
import type { PlaceKind } from '../../../core/kitchen/keeping';
import { same } from '../../../core/maths/same';
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

/** Whichever sheet is open. */
export function Sheets(props: Props) {
  const { house, name, state, thing, now, onWrite, onClose } = props;
  const say = useSay();
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
  return <Suspense>{bodyOf()}</Suspense>;

  function bodyOf() {
    if (!state || !thing || now === null) return null;
    const rule = rulesIn(house);
    const mark = dateMark(state, rule, now);
    switch (name) {
      case 'way':
        return (
          <WaySheet
            house={house}
            lot={thing}
            state={state}
            now={now}
            working={props.working}
            onWay={(way) => onWrite({ kind: 'set to cool', way })}
            onClose={onClose}
          />
        );
      case 'read':
        return (
          <ReadSheet
            near={state.readings.at(-1)?.celsius ?? (state.stage === 'hot' ? 70 : 60)}
            onTake={onWrite}
            onClose={onClose}
          />
        );
      case 'probe':
        return (
          <ProbePick
            state={state}
            devices={props.devices}
            kitchenLines={props.kitchenLines}
            now={now}
            onTake={onWrite}
            onClose={onClose}
          />
        );
      case 'wrong':
        return (
          <WrongSheet
            house={house}
            state={state}
            why={
              state.stage === 'hot'
                ? 'too cold too long'
                : state.stage === 'cooling'
                  ? 'cooled too slowly'
                  : mark.left < 0
                    ? 'past its date'
                    : 'left over'
            }
            onTake={onWrite}
            onClose={onClose}
          />
        );
      case 'cooled':
        return (
          <PlaceSheet
            house={house}
            state={state}
            title={say('Put it away')}
            does={say('It is cold and put away')}
            kinds={COLD}
            onTake={({ place, container }) => {
              const film = props.cooling?.found?.forecast.fit.film;
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
      case 'take':
        return <TakeSheet state={state} onTake={onWrite} onClose={onClose} />;
      case 'move':
      case 'freeze':
      case 'thaw':
        return (
          <PlaceSheet
            house={house}
            state={state}
            part
            title={name === 'move' ? say('Move it') : name === 'freeze' ? say('Freeze it') : say('Thaw it')}
            does={
              name === 'move'
                ? say('Move it there')
                : name === 'freeze'
                  ? say('Freeze it')
                  : say('Thaw it there')
            }
            kinds={name === 'freeze' ? ['freezer'] : name === 'thaw' ? ['fridge', 'cold room'] : COLD}
            onTake={({ place, container, ml }) => {
              if (ml >= state.ml) return onWrite({ kind: 'moved', place, container });
              const id = uuid();
              props.onParted(id, partOf(state, mark, { place, container, ml }), {
                kind: 'parted',
                ml,
                into: id,
              });
            }}
            onClose={onClose}
          />
        );
      case 'reheat':
        return (
          <ReheatSheet
            house={house}
            lot={thing}
            state={state}
            working={props.working}
            now={now}
            onTake={(bodies) => {
              for (const body of bodies) onWrite(body);
            }}
            onClose={onClose}
          />
        );
      case 'reheated':
        return (
          <ReheatedSheet
            house={house}
            celsius={props.probe?.celsius ?? null}
            onTake={onWrite}
            onClose={onClose}
          />
        );
      case 'hot':
        return (
          <HotSheet
            house={house}
            state={state}
            servedPerHour={props.served}
            onServed={props.onServed}
            onTake={onWrite}
            onClose={onClose}
          />
        );
      case 'labels':
        return <LabelSheet state={state} onTake={onWrite} onClose={onClose} />;
      case 'top up':
        return <TopUpSheet onClose={onClose} />;
      default:
        return null;
    }
  }
}
