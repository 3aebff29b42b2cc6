'use client';

import { Suspense, useMemo, useState } from 'react';
import type { KeepOpened } from '../../contract/keep';
import { warmestAt } from '../../core/heat/cool/course';
import type { KeepBody, KeepEvent } from '../../core/keep/events';
import type { LotState } from '../../core/keep/lot';
import { deviationOf, wouldGoAgainst } from '../../core/keep/safe/against';
import type { Deviation } from '../../core/keep/safe/deviation';
import { judge, openDeviations } from '../../core/keep/safe/judged';
import { askedOfKept } from '../../core/keep/safe/plausible';
import { rulesIn } from '../../core/keep/standing';
import type { House } from '../../core/kitchen/house';
import { useNow } from '../device/useNow';
import { useKeptPage } from '../frame/useKeptPage';
import { Segments } from '../shared/form/Segments';
import { useReally } from '../shared/hooks/useReally';
import { useSay } from '../shared/hooks/useSay';
import { lazily } from '../shared/lazily';
import { Foot } from './Foot';
import { Sentence } from './Sentence';
import { Standing } from './Standing';
import { type SheetName, Sheets } from './sheets/Sheets';
import { byDate, ShelfFace } from './shelf/ShelfFace';
import { Unanswered } from './Unanswered';
import { useKeep } from './useKeep';
import { useCooling, useKeeper } from './useKeeper';
import { useProbe } from './useProbe';

/** Each face is loaded when it is looked at. */
const ThingPane = lazily(async () => (await import('./shelf/ThingPane')).ThingPane);
const RecordFace = lazily(async () => (await import('./record/RecordFace')).RecordFace);

const AgainstSheet = lazily(async () => (await import('./sheets/AgainstSheet')).AgainstSheet);

/** What goes against a rule and is asked about: a line that is not written yet, or what stands in the record already. */
type Asking = {
  readonly against: readonly Deviation[];
  readonly before: boolean;
  readonly act: () => KeepEvent | undefined;
};

/** What Keep may want while the server is away. */
const forAway = () =>
  Promise.all([
    import('./hot/HotFace'),
    import('./cooling/CoolingFace'),
    import('./cooling/CoolingChart'),
    import('./shelf/ThingPane'),
    import('./sheets/WaySheet'),
    import('./sheets/ReadSheet'),
    import('./sheets/WrongSheet'),
    import('./sheets/PlaceSheet'),
    import('./sheets/AgainstSheet'),
    import('./shelf/TakeSheet'),
    import('./shelf/ReheatSheet'),
    import('./shelf/ReheatedSheet'),
  ]);

const KEEP_FACES = ['hot', 'cooling', 'shelf', 'record'] as const;
type KeepFace = (typeof KEEP_FACES)[number];

/** What is written without its going elsewhere. */
const STAYS: ReadonlySet<KeepBody['kind']> = new Set([
  'temperature',
  'paired',
  'let down',
  'labelled',
  'put right',
]);

const ENDS: ReadonlySet<KeepBody['kind']> = new Set(['thrown away', 'used up', 'taken', 'parted']);

const faceOf = (s: LotState): KeepFace =>
  s.stage === 'hot' || s.stage === 'reheating' ? 'hot' : s.stage === 'cooling' ? 'cooling' : 'shelf';

type Props = {
  readonly house: House;
  readonly first: KeepOpened;
  readonly lot: string | null;
  readonly face: KeepFace | null;
};

/** What is hot, what is cooling against its limits, what is on the shelf, and the record of it all. */
export function KeepView({ house, first, lot, face: asked }: Props) {
  const say = useSay();
  useKeptPage(forAway);
  const keep = useKeep(first, house, lot);
  const now = useNow();
  const [picked, setPicked] = useState(lot);
  const of = (f: KeepFace) => keep.states.filter((s) => faceOf(s) === f);
  const byPicked = keep.states.find((s) => s.id === picked);
  const [chosen, setFace] = useState<KeepFace | null>(asked);
  const face: KeepFace =
    chosen ??
    (byPicked
      ? faceOf(byPicked)
      : of('cooling').length > 0
        ? 'cooling'
        : of('hot').length > 0
          ? 'hot'
          : 'shelf');
  const moment = now ?? 0;
  const here = face === 'shelf' ? byDate(of('shelf'), rulesIn(house), moment).map((r) => r.s) : of(face);
  const state = here.find((s) => s.id === picked) ?? here[0] ?? null;
  const thing = useMemo(() => keep.lots.find((l) => l.id === state?.id) ?? null, [keep.lots, state?.id]);
  const working = useKeeper(house, keep.filmLines, state);
  const cooling = useCooling(working, thing, now, face === 'cooling');
  const { devices, probe } = useProbe(state, keep.kitchenLines, now);
  const [sheet, setSheet] = useState<SheetName | null>(null);
  const [served, setServed] = useState(2000);

  const [asking, setAsking] = useState<Asking | null>(null);
  const { really, sheet: question } = useReally();
  const judged = state && now !== null ? judge(state, rulesIn(house), now) : null;
  const open = judged ? openDeviations(judged) : [];

  /** Writes what goes against no rule; what does is asked about first. */
  const write = (body: KeepBody, act: (body: KeepBody) => KeepEvent | undefined = written) => {
    const against = thing && now !== null ? wouldGoAgainst(thing, house.keeping, body, now) : [];
    const found = cooling?.found ?? null;
    const question =
      state && now !== null && body.kind === 'temperature'
        ? askedOfKept(
            state,
            body.celsius,
            now,
            found && warmestAt(found.forecast.points, (now - found.at) / 1000),
          )
        : null;
    really(question, () => {
      if (against.length > 0) setAsking({ against, before: true, act: () => act(body) });
      else act(body);
    });
  };
  /** It is gone on with, or was: what was done about each stands beside it. */
  const answer = (what: string) => {
    if (!asking || !state) return;
    const event = asking.act();
    for (const d of asking.against)
      keep.write(state.id, { kind: 'put right', what, about: event ? deviationOf(d, event.id) : d.id });
    setAsking(null);
  };
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
  const pick = (id: string) => {
    setPicked(id);
    setSheet(null);
  };

  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Keep')}</h1>
      <div className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-2 border-ink border-b-2 bg-surface px-5 py-3">
        <Segments
          label={say('What is kept')}
          value={face}
          onChange={(f) => {
            setFace(f);
            setPicked(null);
          }}
          options={[
            { value: 'hot', words: say('Hot {n}', { n: of('hot').length }) },
            { value: 'cooling', words: say('Cooling {n}', { n: of('cooling').length }) },
            { value: 'shelf', words: say('Shelf {n}', { n: of('shelf').length }) },
            { value: 'record', words: say('Record') },
          ]}
        />
        <Sentence
          house={house}
          face={face}
          state={state}
          now={now}
          served={served}
          shelf={of('shelf')}
          onOpen={setSheet}
        />
      </div>
      <div
        className={
          face === 'shelf' || face === 'record'
            ? 'grid shrink-0 grid-cols-1 min-[1100px]:min-h-0 min-[1100px]:flex-1 min-[1100px]:shrink min-[1100px]:grid-cols-[1fr_380px]'
            : 'grid shrink-0 grid-cols-1 min-[1100px]:min-h-0 min-[1100px]:flex-1 min-[1100px]:shrink min-[1100px]:grid-cols-[216px_1fr_372px]'
        }
      >
        {face === 'record' && now !== null && (
          <Suspense>
            <RecordFace
              now={now}
              dayEnds={house.keeping.dayEnds}
              heard={keep.head.n}
              onWrite={(body) => keep.write('kitchen', body)}
              onProbes={() => setSheet('probes')}
            />
          </Suspense>
        )}
        {face === 'shelf' && now !== null && (
          <>
            {keep.more > 0 && (
              <p
                role="status"
                className="col-span-full bg-butter px-5 py-2 font-bold text-[17px] text-on-butter"
              >
                {say(
                  '{more, plural, one {One thing more is} other {# things more are}} kept, older than these and not shown: end what is gone, and they come up.',
                  { more: keep.more },
                )}
              </p>
            )}
            <ShelfFace house={house} states={here} picked={state?.id ?? null} now={now} onPick={pick} />
            {state && thing && (
              <Suspense>
                <ThingPane
                  house={house}
                  lot={thing}
                  state={state}
                  now={now}
                  working={working}
                  onAct={setSheet}
                />
              </Suspense>
            )}
          </>
        )}
        {(face === 'hot' || face === 'cooling') && (
          <Standing
            house={house}
            face={face}
            states={here}
            state={state}
            thing={thing}
            now={now}
            served={served}
            working={working}
            cooling={cooling}
            onPick={pick}
            onWrite={write}
            onReheat={() => setSheet('reheat')}
          />
        )}
      </div>
      {open.length > 0 && face !== 'record' && (
        <Unanswered
          open={open}
          onAnswer={() => setAsking({ against: open, before: false, act: () => undefined })}
        />
      )}
      <Foot
        house={house}
        face={face}
        state={state}
        now={now}
        probe={probe}
        refused={keep.refused}
        found={cooling?.found ?? null}
        onOpen={setSheet}
        onWrite={write}
      />
      <Sheets
        house={house}
        name={sheet}
        state={state}
        thing={thing}
        now={now}
        devices={devices}
        kitchenLines={keep.kitchenLines}
        served={served}
        onServed={setServed}
        probe={probe}
        working={working}
        cooling={cooling}
        onWrite={write}
        onKitchen={(body) => keep.write('kitchen', body)}
        onPut={(id, body) => {
          keep.write(id, body);
          setPicked(id);
          setFace(null);
          setSheet(null);
        }}
        onParted={(id, put, parted) =>
          write(parted, (body) => {
            keep.write(id, put);
            return written(body);
          })
        }
        onClose={() => setSheet(null)}
      />
      {question}
      {asking && (
        <Suspense>
          <AgainstSheet
            house={house}
            against={asking.against}
            before={asking.before}
            onGoOn={answer}
            onInstead={(what) => {
              setAsking(null);
              setSheet(what);
            }}
            onClose={() => setAsking(null)}
          />
        </Suspense>
      )}
    </div>
  );
}
