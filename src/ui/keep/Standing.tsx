'use client';

import { Suspense } from 'react';
import type { KeepBody } from '../../core/keep/events';
import type { Lot, LotState } from '../../core/keep/lot';
import type { House } from '../../core/kitchen/house';
import { useSay } from '../shared/hooks/useSay';
import { lazily } from '../shared/lazily';
import { LotList } from './LotList';
import type { CoolingAnswers, KeeperHere } from './useKeeper';

/** Each face is loaded when it is looked at. */
const HotFace = lazily(async () => (await import('./hot/HotFace')).HotFace);
const CoolingFace = lazily(async () => (await import('./cooling/CoolingFace')).CoolingFace);

type Props = {
  readonly house: House;
  readonly face: 'hot' | 'cooling';
  readonly states: readonly LotState[];
  readonly state: LotState | null;
  readonly thing: Lot | null;
  readonly now: number | null;
  readonly served: number;
  readonly working: KeeperHere;
  readonly cooling: CoolingAnswers | null;
  readonly onPick: (id: string) => void;
  readonly onWrite: (body: KeepBody) => void;
  readonly onReheat: () => void;
};

/** What is hot or what cools: the list, and the one at hand with what becomes of it. */
export function Standing({
  house,
  face,
  states,
  state,
  thing,
  now,
  served,
  working,
  cooling,
  onPick,
  onWrite,
  onReheat,
}: Props) {
  const say = useSay();
  const common = state && thing && now !== null ? { house, lot: thing, state, now } : null;
  return (
    <>
      {states.length > 0 ? (
        <LotList
          house={house}
          states={states}
          picked={state?.id ?? null}
          onPick={onPick}
          label={face === 'hot' ? say('Kept hot') : say('Cooling')}
        />
      ) : (
        <p className="p-6 text-[20px] min-[1100px]:col-span-3">
          {face === 'hot'
            ? say('Nothing is kept hot. A batch that is finished to be held comes here.')
            : say('Nothing is cooling. A batch that is finished to be cooled comes here.')}
        </p>
      )}
      {common && (
        <Suspense fallback={<p className="p-6 text-quiet">{say('One moment …')}</p>}>
          {face === 'hot' ? (
            <HotFace {...common} working={working} servedPerHour={served} onWrite={onWrite} />
          ) : (
            <CoolingFace
              {...common}
              answers={cooling}
              onWay={(way) => onWrite({ kind: 'set to cool', way })}
              onReheat={onReheat}
            />
          )}
        </Suspense>
      )}
    </>
  );
}
