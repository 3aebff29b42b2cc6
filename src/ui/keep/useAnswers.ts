'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { House } from '../../core/house/house';
import type { Tried } from '../../core/keep/cool/ways';
import type { KeepEvent } from '../../core/keep/events';
import type { LotState } from '../../core/keep/lot';
import type { HotForecast } from '../../core/keep/soup/hot';
import type { ReheatForecast } from '../../core/keep/soup/reheat';
import type { ColdFound, CoolingFound, KeeperAnswer } from '../../workers/keeper';
import { useKeeper } from './useKeeper';

type Cooling = {
  readonly key: string;
  readonly at: number;
  readonly found: CoolingFound | null;
  readonly ways: readonly Tried[];
  readonly working: boolean;
};

/** What the worker has found, each for the question asked last; what was found before stays until there is better. */
export function useAnswers(house: House, filmLines: readonly KeepEvent[], state: LotState | null) {
  const asked = useRef({ cooling: '', hot: '', cold: '', reheat: '', way: '', at: 0, hotAt: 0, wayAt: 0 });
  const [cooling, setCooling] = useState<Cooling | null>(null);
  const [hot, setHot] = useState<{ at: number; forecast: HotForecast | null } | null>(null);
  const [cold, setCold] = useState<ColdFound | null>(null);
  const [reheat, setReheat] = useState<ReheatForecast | null>(null);
  const [way, setWay] = useState<{ key: string; at: number; one: Tried } | null>(null);
  const onTold = useCallback((told: KeeperAnswer) => {
    const a = asked.current;
    if (told.kind === 'cooling' && told.key === a.cooling)
      setCooling({ key: told.key, at: a.at, found: told.found, ways: [], working: true });
    else if (told.kind === 'way' && told.key === a.cooling)
      setCooling((c) => c && { ...c, ways: told.one ? [...c.ways, told.one] : c.ways, working: told.left });
    else if (told.kind === 'tried' && told.key === a.way)
      setWay({ key: told.key, at: a.wayAt, one: told.one });
    else if (told.kind === 'hot' && told.key === a.hot) setHot({ at: a.hotAt, forecast: told.found });
    else if (told.kind === 'cold' && told.key === a.cold) setCold(told.found);
    else if (told.kind === 'reheat' && told.key === a.reheat) setReheat(told.found);
  }, []);
  const { ask, want, known } = useKeeper(house, filmLines, onTold);
  const id = state?.id;
  // Of another thing nothing is known yet.
  // biome-ignore lint/correctness/useExhaustiveDependencies: another thing
  useEffect(() => {
    setCooling(null);
    setHot(null);
    setCold(null);
    setReheat(null);
  }, [id]);
  useEffect(() => {
    if (state) want(state);
  }, [state, want]);
  return {
    ask,
    known,
    cooling,
    hot,
    cold,
    reheat,
    way,
    askedWay: useCallback((key: string, at: number) => {
      asked.current = { ...asked.current, way: key, wayAt: at };
    }, []),
    askedCooling: useCallback((key: string, at: number) => {
      asked.current = { ...asked.current, cooling: key, at };
    }, []),
    askedHot: useCallback((key: string, at: number) => {
      asked.current = { ...asked.current, hot: key, hotAt: at };
    }, []),
    askedCold: useCallback((key: string) => {
      asked.current = { ...asked.current, cold: key };
    }, []),
    askedReheat: useCallback((key: string) => {
      asked.current = { ...asked.current, reheat: key };
      setReheat(null);
    }, []),
  };
}
export type Answers = ReturnType<typeof useAnswers>;
