'use client';

import '../../core/food/load';
import { Download } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { Suspense, useEffect, useMemo, useRef, useState } from 'react';
import type { Ticket } from '../../core/batch/ticket';
import { mendsFor } from '../../core/service/arrange/mend';
import { boardOf, moved, settled } from '../../core/service/board';
import { type BoardPlace, batchesOf, clockOf, type Service } from '../../core/service/service';
import { shortDay } from '../../core/service/words/dayWords';
import { useNow } from '../device/useNow';
import { useKeptPage } from '../frame/useKeptPage';
import { addressOf } from '../order/address';
import type { Shelf } from '../order/stores';
import { useShelf } from '../order/useShelf';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { lazily } from '../shared/lazily';
import { HEAD_BUTTON, PRIMARY } from '../shared/styles';
import { BoardPane } from './board/BoardPane';
import { withPass } from './board/PassTags';
import { Foot } from './Foot';
import { Sentence } from './Sentence';
import { Side } from './Side';
import { ToldLine } from './ToldLine';
import { didChange, opened } from './undoService';
import { minuteOf, useLive } from './useLive';
import { useNames } from './useNames';
import { useNewest } from './useNewest';
import { useScheduler } from './useScheduler';
import { useService } from './useService';
import { useStartBatch } from './useStartBatch';

/** Loaded when first asked for. */
const BarSheet = lazily(async () => (await import('./sheets/BarSheet')).BarSheet);
const FilesSheet = lazily(async () => (await import('./sheets/FilesSheet')).FilesSheet);

type Props = {
  readonly stores: Shelf;
  readonly first: { readonly service: Service; readonly revision: number };
  readonly tickets: readonly Ticket[];
};

/** What the board may want while the server is away. */
const forAway = () =>
  Promise.all([
    import('./sheets/BarSheet'),
    import('./sheets/FilesSheet'),
    import('./sheets/SoupsSheet'),
    import('./sheets/HouseSheet'),
    import('./sheets/DaySheet'),
  ]);

/** Minutes of a day a board goes on for: it ends at noon of the next. */
const DAY = 2160;
/** A batch is lit by the one next action this many minutes before its time. */
const SOON = 30;

/** The day on one board: burners, pots, hands and tools of every soup, arranged, started and followed. */
export function ServiceView({ stores: atFirst, first, tickets }: Props) {
  const say = useSay();
  const { stores, choose, need, refused: notFetched } = useShelf(atFirst);
  const router = useRouter();
  useKeptPage(forAway);
  const kept = useService(first);
  const { service, change } = kept;
  const { soups } = service;
  // Another station may have put a soup on it that is not known here yet.
  useEffect(() => need(soups.map((s) => s.order.recipeId)), [need, soups]);
  const ms = useNow();
  const live = useLive(service, tickets, ms);
  const scheduler = useScheduler(stores, service);
  const { tables } = scheduler;
  const minute = ms === null ? null : Math.floor(minuteOf(service.day, ms));
  const now = minute !== null && minute >= 0 && minute < DAY ? minute : null;
  const [trying, setTrying] = useState<{ key: string; to: Partial<BoardPlace> } | null>(null);
  const [openBar, setOpenBar] = useState<string | null>(null);
  const [files, setFiles] = useState(false);
  const starting = useStartBatch(service.id, service.day);

  const ready = scheduler.missing === 0;
  // Where bars lie is known when all of them are: before that they would move under a finger.
  const [laid, setLaid] = useState(false);
  if (ready && !laid) setLaid(true);
  const liveKey = JSON.stringify(live);
  const here = useMemo(
    () => ({ house: stores.house, tables, live: JSON.parse(liveKey) as typeof live, now }),
    [stores.house, tables, liveKey, now],
  );
  const lying = useMemo(() => settled(service, here), [service, here]);
  const shown = useMemo(
    () => (trying ? moved(lying, here, trying.key, trying.to) : lying),
    [lying, trying, here],
  );
  const base = useMemo(() => boardOf(lying, here), [lying, here]);
  const board = useMemo(() => (trying ? boardOf(shown, here) : base), [trying, shown, here, base]);
  const [clashAt, setClashAt] = useState(0);
  const clash = board.clashes[clashAt % Math.max(1, board.clashes.length)];
  const mends = useMemo(
    () => (clash && ready && !trying ? mendsFor(lying, here, clash) : []),
    [clash, ready, trying, lying, here],
  );

  const recipeName = (id: string) => stores.soups.find((r) => r.id === id)?.name ?? id;
  const nameOf = useNames(service, stores.soups);
  const named = { soup: nameOf, opens: service.opens };

  const set = (next: Service) => {
    starting.calm();
    didChange(service, next);
    change(next);
  };
  const latest = useRef({ service, change });
  latest.current = { service, change };
  useEffect(
    () =>
      opened(service.id, {
        now: () => latest.current.service,
        change: (next) => latest.current.change(next),
      }),
    [service.id],
  );
  useNewest(service.day, service.id, kept.revision);
  const onService = (next: Service) => {
    scheduler.stop();
    set(next);
  };
  const move = (key: string, to: Partial<BoardPlace>) => onService(moved(lying, here, key, to));
  const pass = (from: number, to: number) => {
    const next = withPass(service, from, to);
    if (next) onService(next);
  };
  const arrange = () => {
    starting.calm();
    scheduler.arrange({ service: lying, live, now });
  };
  const { outcome } = scheduler;
  const [taken, setTaken] = useState(outcome);
  // What was arranged is put on the board once, when it comes.
  if (outcome !== taken) {
    setTaken(outcome);
    if (outcome?.kind === 'arranged')
      queueMicrotask(() => set({ ...lying, placed: { ...lying.placed, ...outcome.arranged.placed } }));
  }

  const next = board.bars.filter((b) => !b.live && b.table).toSorted((a, b) => a.lightAt - b.lightAt)[0];
  const light = async (key: string, anyway = false) => {
    const batch = batchesOf(service).find((b) => b.key === key);
    if (batch) await starting.start(batch, anyway);
    setOpenBar(null);
  };
  const nextName = next ? nameOf(next.batch.key) : '';
  const primary =
    service.soups.length === 0
      ? null
      : board.clashes.length > 0 && ready && outcome?.kind !== 'cannot'
        ? { words: say('Arrange the day'), act: arrange }
        : next && now !== null && outcome?.kind !== 'cannot' && next.lightAt - now <= SOON
          ? {
              words: starting.busy ? say('Starting …') : say('Light {soup}', { soup: nextName }),
              act: () => void light(next.batch.key),
              off: starting.busy,
            }
          : next && board.clashes.length === 0
            ? {
                words: say('Weigh out {soup}, {at}', { soup: nextName, at: clockOf(next.mise.from) }),
                act: () => setOpenBar(next.batch.key),
              }
            : null;
  const bar = board.bars.find((b) => b.batch.key === openBar);

  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Service')}</h1>
      <div className="flex shrink-0 items-start gap-3 border-ink border-b-2 bg-surface px-5 py-3 min-[1100px]:px-7">
        <div className="min-w-0 flex-1">
          <Sentence
            service={service}
            stores={stores}
            choose={choose}
            refused={notFetched}
            board={board}
            ready={ready}
            onChange={set}
            dayWords={say(shortDay(service.day))}
          />
        </div>
        <button type="button" className={HEAD_BUTTON} onClick={() => setFiles(true)}>
          <Download size={22} aria-hidden /> {say('Files')}
        </button>
      </div>
      <ToldLine kept={kept} nameOf={nameOf} />
      <div className="grid shrink-0 grid-cols-1 min-[1100px]:min-h-0 min-[1100px]:shrink min-[1100px]:flex-1 min-[1100px]:grid-cols-[1fr_290px]">
        {service.soups.length === 0 ? (
          stores.soups.length === 0 ? (
            <div className="grid content-start justify-items-start gap-3 p-6 text-[20px]">
              <p>{say('A service wants soups, and the kitchen has no recipe yet.')}</p>
              <Link href="/recipes/start" className={PRIMARY}>
                {say('Put in a recipe')}
              </Link>
            </div>
          ) : (
            <p className="p-6 text-[20px]">
              {say('No soup is on it yet: tap “no soup yet” above, or copy another day.')}
            </p>
          )
        ) : (
          <BoardPane
            service={service}
            board={laid ? board : { ...board, bars: [], hands: [] }}
            base={base}
            house={stores.house}
            now={now}
            nameOf={nameOf}
            onPass={pass}
            onMove={move}
            onTry={setTrying}
            onOpen={setOpenBar}
          />
        )}
        <Side board={board} ready={ready} house={stores.house} now={now} nameOf={nameOf} />
      </div>
      <Foot
        clash={clash}
        more={board.clashes.length - 1}
        onNextClash={() => setClashAt((n) => n + 1)}
        mends={mends}
        named={named}
        arranging={scheduler.arranging}
        outcome={outcome}
        reliefs={scheduler.reliefs}
        asking={scheduler.asking}
        refused={starting.refused ?? kept.refused}
        inUse={starting.inUse}
        ready={ready}
        onService={onService}
        onArrange={arrange}
        onStop={scheduler.stop}
        onAnyway={() => starting.inUse && void light(starting.inUse, true)}
        primary={primary}
      />
      <Suspense>
        {bar && (
          <BarSheet
            bar={bar}
            name={nameOf(bar.batch.key)}
            house={stores.house}
            batchId={service.started[bar.batch.key] ?? null}
            planHref={addressOf({
              ...bar.batch.soup.order,
              litres: bar.batch.litres,
              vesselId: bar.place.vesselId,
              burnerId: bar.place.burnerId,
              serveAt: clockOf(bar.batch.due),
            })}
            today={now !== null}
            onMove={(to) => move(bar.batch.key, to)}
            onStart={() => void light(bar.batch.key)}
            onClose={() => setOpenBar(null)}
          />
        )}
        {files && (
          <FilesSheet
            service={service}
            recipeName={recipeName}
            onChange={set}
            onOpen={(id, day) => router.push(`/service?day=${day}&id=${id}`)}
            onClose={() => setFiles(false)}
          />
        )}
      </Suspense>
    </div>
  );
}
