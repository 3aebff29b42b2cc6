import { useState } from 'react';
import { warmestAt } from '../../core/heat/cool/course';
import type { KeepBody, KeepEvent } from '../../core/keep/events';
import { deviationOf, wouldGoAgainst } from '../../core/keep/safe/against';
import type { Deviation } from '../../core/keep/safe/deviation';
import { askedOfKept } from '../../core/keep/safe/plausible';
import type { House } from '../../core/kitchen/house';
import { useReally } from '../shared/hooks/useReally';
import type { KeptHere } from './useKept';

/** What goes against a rule and is asked about: a line that is not written yet, or what stands in the record already. */
type Asking = {
  readonly against: readonly Deviation[];
  readonly before: boolean;
  readonly act: () => KeepEvent | undefined;
};

/** What is written without its going elsewhere. */
const STAYS: ReadonlySet<KeepBody['kind']> = new Set([
  'temperature',
  'paired',
  'let down',
  'labelled',
  'put right',
]);

const ENDS: ReadonlySet<KeepBody['kind']> = new Set(['thrown away', 'used up', 'taken', 'parted']);

/** What is asked about a reading of the thing at hand, by what it was foreseen to be. */
function questionOf({ state, now, cooling }: KeptHere, body: KeepBody) {
  if (!state || now === null || body.kind !== 'temperature') return null;
  const found = cooling?.found ?? null;
  return askedOfKept(
    state,
    body.celsius,
    now,
    found && warmestAt(found.forecast.points, (now - found.at) / 1000),
  );
}

/** Writes of the thing at hand: what is unlikely, and what goes against a rule, is asked about first. */
export function useWriting(house: House, kept: KeptHere) {
  const { keep, now, state, thing, face, setFace, setPicked, setSheet } = kept;
  const [asking, setAsking] = useState<Asking | null>(null);
  const { really, sheet: question } = useReally();
  const written = (body: KeepBody): KeepEvent | undefined => {
    if (!state) return undefined;
    const event = keep.write(state.id, body);
    setPicked(state.id);
    // It goes where its next place is, and the eye with it; what is over, or only looked at, leaves the eye where it is.
    if (ENDS.has(body.kind)) setFace(face);
    else if (!STAYS.has(body.kind)) setFace(null);
    setSheet(null);
    return event;
  };
  const write = (body: KeepBody, act: (body: KeepBody) => KeepEvent | undefined = written) => {
    const against = thing && now !== null ? wouldGoAgainst(thing, house.keeping, body, now) : [];
    really(questionOf(kept, body), () => {
      if (against.length > 0) setAsking({ against, before: true, act: () => act(body) });
      else act(body);
    });
  };
  return {
    write,
    written,
    question,
    asking,
    setAsking,
    /** It is gone on with, or was: what was done about each stands beside it. */
    answer: (what: string) => {
      if (!asking || !state) return;
      const event = asking.act();
      for (const d of asking.against)
        keep.write(state.id, { kind: 'put right', what, about: event ? deviationOf(d, event.id) : d.id });
      setAsking(null);
    },
  };
}
