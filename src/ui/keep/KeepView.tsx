'use client';

import { Suspense } from 'react';
import type { KeepOpened } from '../../contract/keep';
import type { KeepBody } from '../../core/keep/events';
import type { House } from '../../core/kitchen/house';
import { useKeptPage } from '../frame/useKeptPage';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';
import { lazily } from '../shared/lazily';
import { Foot } from './Foot';
import { Sentence } from './Sentence';
import { Standing } from './Standing';
import { type SheetName, Sheets } from './sheets/Sheets';
import { ShelfFace } from './shelf/ShelfFace';
import { Unanswered } from './Unanswered';
import { type KeepFace, type KeptHere, useKept } from './useKept';
import { useWriting } from './useWriting';

/** Each face is loaded when it is looked at. */
const ThingPane = lazily(async () => (await import('./shelf/ThingPane')).ThingPane);
const RecordFace = lazily(async () => (await import('./record/RecordFace')).RecordFace);

const AgainstSheet = lazily(async () => (await import('./sheets/AgainstSheet')).AgainstSheet);

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
  const kept = useKept(house, first, lot, asked);
  const writing = useWriting(house, kept);
  const { keep, face, state, now, open, probe, cooling, setSheet } = kept;
  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Keep')}</h1>
      <Head house={house} kept={kept} />
      <Face house={house} kept={kept} onWrite={writing.write} />
      {open.length > 0 && face !== 'record' && (
        <Unanswered
          open={open}
          onAnswer={() => writing.setAsking({ against: open, before: false, act: () => undefined })}
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
        onWrite={writing.write}
      />
      <Sheets
        house={house}
        name={kept.sheet}
        state={state}
        thing={kept.thing}
        now={now}
        devices={kept.devices}
        kitchenLines={keep.kitchenLines}
        served={kept.served}
        onServed={kept.setServed}
        probe={probe}
        working={kept.working}
        cooling={cooling}
        onWrite={writing.write}
        onKitchen={(body) => keep.write('kitchen', body)}
        onPut={(id, body) => {
          keep.write(id, body);
          kept.setPicked(id);
          kept.setFace(null);
          setSheet(null);
        }}
        onParted={(id, put, parted) =>
          writing.write(parted, (body) => {
            keep.write(id, put);
            return writing.written(body);
          })
        }
        onClose={() => setSheet(null)}
      />
      {writing.question}
      <Against house={house} writing={writing} onInstead={setSheet} />
    </div>
  );
}

type Part = { readonly house: House; readonly kept: KeptHere };

/** The faces, how much is on each, and what is at hand as a sentence. */
function Head({ house, kept }: Part) {
  const say = useSay();
  const { face, state, now, served, of } = kept;
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-2 border-ink border-b-2 bg-surface px-5 py-3">
      <Segments
        label={say('What is kept')}
        value={face}
        onChange={(f) => {
          kept.setFace(f);
          kept.setPicked(null);
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
        onOpen={kept.setSheet}
      />
    </div>
  );
}

/** What is looked at: what is hot or cools beside its clock, the shelf beside one thing of it, or the record. */
function Face({ house, kept, onWrite }: Part & { readonly onWrite: (body: KeepBody) => void }) {
  const { keep, face, state, thing, now, here, served, working, cooling, setSheet } = kept;
  const pick = (id: string) => {
    kept.setPicked(id);
    setSheet(null);
  };
  return (
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
      {face === 'shelf' && now !== null && <Shelf house={house} kept={kept} now={now} onPick={pick} />}
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
          onWrite={onWrite}
          onReheat={() => setSheet('reheat')}
        />
      )}
    </div>
  );
}

type AgainstProps = {
  readonly house: House;
  readonly writing: ReturnType<typeof useWriting>;
  readonly onInstead: (sheet: SheetName) => void;
};

/** What goes against a rule, while it is asked about. */
function Against({ house, writing: { asking, setAsking, answer }, onInstead }: AgainstProps) {
  if (!asking) return null;
  return (
    <Suspense>
      <AgainstSheet
        house={house}
        against={asking.against}
        before={asking.before}
        onGoOn={answer}
        onInstead={(what) => {
          setAsking(null);
          onInstead(what);
        }}
        onClose={() => setAsking(null)}
      />
    </Suspense>
  );
}

type ShelfProps = Part & { readonly now: number; readonly onPick: (id: string) => void };

function Shelf({ house, kept, now, onPick }: ShelfProps) {
  const say = useSay();
  const { keep, here, state, thing, working, setSheet } = kept;
  return (
    <>
      {keep.more > 0 && (
        <p role="status" className="col-span-full bg-butter px-5 py-2 font-bold text-[17px] text-on-butter">
          {say(
            '{more, plural, one {One thing more is} other {# things more are}} kept, older than these and not shown: end what is gone, and they come up.',
            { more: keep.more },
          )}
        </p>
      )}
      <ShelfFace house={house} states={here} picked={state?.id ?? null} now={now} onPick={onPick} />
      {state && thing && (
        <Suspense>
          <ThingPane house={house} lot={thing} state={state} now={now} working={working} onAct={setSheet} />
        </Suspense>
      )}
    </>
  );
}
