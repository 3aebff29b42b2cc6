import { useMemo, useState } from 'react';
import type { KeepOpened } from '../../contract/keep';
import type { LotState } from '../../core/keep/lot';
import { judge, openDeviations } from '../../core/keep/safe/judged';
import { rulesIn } from '../../core/keep/standing';
import type { House } from '../../core/kitchen/house';
import { useNow } from '../device/useNow';
import type { SheetName } from './sheets/Sheets';
import { byDate } from './shelf/ShelfFace';
import { useKeep } from './useKeep';
import { useCooling, useKeeper } from './useKeeper';
import { useProbe } from './useProbe';

const KEEP_FACES = ['hot', 'cooling', 'shelf', 'record'] as const;
export type KeepFace = (typeof KEEP_FACES)[number];

const faceOf = (s: LotState): KeepFace =>
  s.stage === 'hot' || s.stage === 'reheating' ? 'hot' : s.stage === 'cooling' ? 'cooling' : 'shelf';

/** The face chosen, else that of the thing picked, else the first that has something: what cools before what is hot. */
function useFace(states: readonly LotState[], picked: string | null, asked: KeepFace | null) {
  const [chosen, setFace] = useState<KeepFace | null>(asked);
  const byPicked = states.find((s) => s.id === picked);
  const has = (f: KeepFace) => states.some((s) => faceOf(s) === f);
  const face: KeepFace =
    chosen ?? (byPicked ? faceOf(byPicked) : has('cooling') ? 'cooling' : has('hot') ? 'hot' : 'shelf');
  return { face, setFace };
}

/** Everything kept, the face that is looked at, and the one thing at hand on it with all that is known of it. */
export function useKept(house: House, first: KeepOpened, lot: string | null, asked: KeepFace | null) {
  const keep = useKeep(first, house, lot);
  const now = useNow();
  const [picked, setPicked] = useState(lot);
  const [sheet, setSheet] = useState<SheetName | null>(null);
  const [served, setServed] = useState(2000);
  const { face, setFace } = useFace(keep.states, picked, asked);
  const of = (f: KeepFace) => keep.states.filter((s) => faceOf(s) === f);
  const here = face === 'shelf' ? byDate(of('shelf'), rulesIn(house), now ?? 0).map((r) => r.s) : of(face);
  const state = here.find((s) => s.id === picked) ?? here[0] ?? null;
  const thing = useMemo(() => keep.lots.find((l) => l.id === state?.id) ?? null, [keep.lots, state?.id]);
  const working = useKeeper(house, keep.filmLines, state);
  const cooling = useCooling(working, thing, now, face === 'cooling');
  const judged = state && now !== null ? judge(state, rulesIn(house), now) : null;
  return {
    keep,
    now,
    picked,
    setPicked,
    sheet,
    setSheet,
    /** mL an hour ladled off what is hot. */
    served,
    setServed,
    face,
    setFace,
    /** All of a face; and what is on the one that is looked at, in its order. */
    of,
    here,
    state,
    thing,
    working,
    cooling,
    /** What it went against and nobody has said what was done. */
    open: judged ? openDeviations(judged) : [],
    ...useProbe(state, keep.kitchenLines, now),
  };
}
export type KeptHere = ReturnType<typeof useKept>;
