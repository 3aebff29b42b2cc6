'use client';

import '../../core/food/load';
import { Download } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { type ReactNode, Suspense, useEffect, useState } from 'react';
import type { Ticket } from '../../core/batch/ticket';
import { batchesOf, clockOf, type Service } from '../../core/service/service';
import { useKeptPage } from '../frame/useKeptPage';
import { addressOf } from '../order/address';
import type { Shelf } from '../order/stores';
import { useShelf } from '../order/useShelf';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { lazily } from '../shared/lazily';
import { HEAD_BUTTON, PRIMARY } from '../shared/styles';
import { BoardPane } from './board/BoardPane';
import { Foot } from './Foot';
import { Sentence } from './Sentence';
import { Side } from './Side';
import { ToldLine } from './ToldLine';
import { type BoardHere, useBoard } from './useBoard';
import { useNames } from './useNames';
import { useNewest } from './useNewest';
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

const BOARD =
  'grid shrink-0 grid-cols-1 min-[1100px]:min-h-0 min-[1100px]:shrink min-[1100px]:flex-1 min-[1100px]:grid-cols-[1fr_290px]';

/** A batch is lit by the one next action this many minutes before its time. */
const SOON = 30;

/** The one next action, in its order: arrange what clashes, light what is due, weigh out what comes first. */
function useNextAction(
  { board, ready, outcome, now, arrange }: BoardHere,
  starting: ReturnType<typeof useStartBatch>,
  nameOf: (key: string) => string,
  onLight: (key: string) => void,
  onOpen: (key: string) => void,
) {
  const say = useSay();
  if (board.clashes.length > 0 && ready && outcome?.kind !== 'cannot')
    return { words: say('Arrange the day'), act: arrange };
  const next = board.bars.filter((b) => !b.live && b.table).toSorted((a, b) => a.lightAt - b.lightAt)[0];
  if (!next) return null;
  const { key } = next.batch;
  if (now !== null && outcome?.kind !== 'cannot' && next.lightAt - now <= SOON)
    return {
      words: starting.busy ? say('Starting …') : say('Light {soup}', { soup: nameOf(key) }),
      act: () => onLight(key),
      off: starting.busy,
    };
  return board.clashes.length === 0
    ? {
        words: say('Weigh out {soup}, {at}', { soup: nameOf(key), at: clockOf(next.mise.from) }),
        act: () => onOpen(key),
      }
    : null;
}

/** Another station may have put a soup on it that is not known here yet. */
function useNeeded(soups: Service['soups'], need: (ids: readonly string[]) => void): void {
  useEffect(() => need(soups.map((s) => s.order.recipeId)), [need, soups]);
}

/** The day on one board: burners, pots, hands and tools of every soup, arranged, started and followed. */
export function ServiceView({ stores: atFirst, first, tickets }: Props) {
  const say = useSay();
  const { stores, choose, need, refused: notFetched } = useShelf(atFirst);
  useKeptPage(forAway);
  const kept = useService(first);
  const { service } = kept;
  const { soups } = service;
  useNeeded(soups, need);
  const starting = useStartBatch(service.id, service.day);
  const here = useBoard(stores, kept, tickets, starting.calm);
  const { board, ready, now } = here;
  const [openBar, setOpenBar] = useState<string | null>(null);
  const [files, setFiles] = useState(false);
  const nameOf = useNames(service, stores.soups);
  useNewest(service.day, service.id, kept.revision);
  const light = async (key: string, anyway = false) => {
    const batch = batchesOf(service).find((b) => b.key === key);
    if (batch) await starting.start(batch, anyway);
    setOpenBar(null);
  };
  const primary = useNextAction(here, starting, nameOf, (key) => void light(key), setOpenBar);
  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Service')}</h1>
      <Head onFiles={() => setFiles(true)}>
        <Sentence
          service={service}
          stores={stores}
          choose={choose}
          refused={notFetched}
          board={board}
          ready={ready}
          onChange={here.set}
        />
      </Head>
      <ToldLine kept={kept} nameOf={nameOf} />
      <div className={BOARD}>
        {soups.length === 0 ? (
          <NoSoups stores={stores} />
        ) : (
          <BoardPane
            service={service}
            board={here.drawn}
            base={here.base}
            house={stores.house}
            now={now}
            nameOf={nameOf}
            onPass={here.pass}
            onMove={here.move}
            onTry={here.setTrying}
            onOpen={setOpenBar}
          />
        )}
        <Side board={board} ready={ready} house={stores.house} now={now} nameOf={nameOf} />
      </div>
      <Foot
        here={here}
        named={{ soup: nameOf, opens: service.opens }}
        refused={starting.refused ?? kept.refused}
        inUse={starting.inUse}
        onAnyway={() => starting.inUse && void light(starting.inUse, true)}
        primary={soups.length === 0 ? null : primary}
      />
      <Suspense>
        <OpenSheets
          stores={stores}
          service={service}
          here={here}
          nameOf={nameOf}
          openBar={openBar}
          files={files}
          onStart={(key) => void light(key)}
          onClose={() => {
            setOpenBar(null);
            setFiles(false);
          }}
        />
      </Suspense>
    </div>
  );
}

type HeadProps = { readonly onFiles: () => void; readonly children: ReactNode };

function Head({ onFiles, children }: HeadProps) {
  const say = useSay();
  return (
    <div className="flex shrink-0 items-start gap-3 border-ink border-b-2 bg-surface px-5 py-3 min-[1100px]:px-7">
      <div className="min-w-0 flex-1">{children}</div>
      <button type="button" className={HEAD_BUTTON} onClick={onFiles}>
        <Download size={22} aria-hidden /> {say('Files')}
      </button>
    </div>
  );
}

/** A day with nothing on it yet, or a kitchen without a recipe. */
function NoSoups({ stores }: { readonly stores: Shelf }) {
  const say = useSay();
  return stores.soups.length === 0 ? (
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
  );
}

type SheetsProps = {
  readonly stores: Shelf;
  readonly service: Service;
  readonly here: BoardHere;
  readonly nameOf: (key: string) => string;
  readonly openBar: string | null;
  readonly files: boolean;
  readonly onStart: (key: string) => void;
  readonly onClose: () => void;
};

function OpenSheets({ stores, service, here, nameOf, openBar, files, onStart, onClose }: SheetsProps) {
  const router = useRouter();
  const { board, now } = here;
  const bar = board.bars.find((b) => b.batch.key === openBar);
  const recipeName = (id: string) => stores.soups.find((r) => r.id === id)?.name ?? id;
  return (
    <>
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
          onMove={(to) => here.move(bar.batch.key, to)}
          onStart={() => onStart(bar.batch.key)}
          onClose={onClose}
        />
      )}
      {files && (
        <FilesSheet
          service={service}
          recipeName={recipeName}
          onChange={here.set}
          onOpen={(id, day) => router.push(`/service?day=${day}&id=${id}`)}
          onClose={onClose}
        />
      )}
    </>
  );
}
