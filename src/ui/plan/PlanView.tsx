'use client';

import { clsx } from 'clsx';
import { BookOpen, TriangleAlert } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { learnedWords } from '../../core/compare/learned';
import { multipliedWords } from '../../core/compare/multiplied';
import { remedyWords } from '../../core/compare/remedyWords';
import { bandOf, chanceOfBand } from '../../core/flow/bands';
import { bracketOf } from '../../core/maths/logNormal';
import type { TimedOrder } from '../../core/order/order';
import type { Begun } from '../../core/plan/plan';
import { warningLine } from '../../core/plan/warningWords';
import { nextTime } from '../../core/units/clock';
import { degrees } from '../../core/units/shown/show';
import { useNow } from '../device/useNow';
import { addressOf, type Misread } from '../order/address';
import type { Shelf } from '../order/stores';
import { useShelf } from '../order/useShelf';
import { Ladder } from '../shared/draw/Ladder';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { lazily } from '../shared/lazily';
import { Sheet } from '../shared/Sheet';
import { BUTTON, HEAD_BUTTON } from '../shared/styles';
import { AsCooked } from './AsCooked';
import { Chance } from './Chance';
import { DoseFirst } from './DoseFirst';
import { Lists } from './lists/Lists';
import { PotPart } from './PotPart';
import { Sentence } from './sentence/Sentence';
import { usePlan } from './usePlan';
import { useStart } from './useStart';
import { Warnings } from './Warnings';

/** Loaded when first asked for. */
const ByTest = lazily(async () => (await import('./sentence/ByTest')).ByTest);
const Sizes = lazily(async () => (await import('./Sizes')).Sizes);
const TakeAway = lazily(async () => (await import('./TakeAway')).TakeAway);

/** The address follows the sentence once it rests this long, ms. */
const SETTLE = 250;

type Props = {
  readonly stores: Shelf;
  readonly first: TimedOrder;
  /** The first order as it was solved by the server; undefined where it had no time. */
  readonly begun: Begun | undefined;
  /** What the address says and cannot be taken. */
  readonly misread: readonly Misread[];
};

export function PlanView({ stores: opened, first, begun, misread }: Props) {
  const say = useSay();
  const { stores, choose, refused: notFetched } = useShelf(opened);
  const [order, setOrder] = useState(first);
  const { plan, recipe, written, setup, thoughts, thinking, remedies, sizes, work } = usePlan(
    stores,
    order,
    order === first ? begun : undefined,
  );
  const aim = useRef(plan.aim);
  useEffect(() => {
    aim.current = plan.aim;
  });
  const [sheet, setSheet] = useState<'test' | 'sizes' | 'away' | null>(null);
  const show = say.reader;
  const now = useNow();
  const { bandLimits } = stores.house.kitchen;

  const change = (to: Partial<TimedOrder>) => {
    calm();
    setOrder((o) => ({ ...o, ...to }));
  };
  const address = addressOf(order);
  useEffect(() => {
    // The browser's own method: the router's would take back a view change that is under way.
    const note = () => History.prototype.replaceState.call(window.history, window.history.state, '', address);
    const timer = setTimeout(note, SETTLE);
    return () => clearTimeout(timer);
  }, [address]);

  const spread = thoughts?.doubt.spread ?? null;
  const band = bandOf(order.target, bandLimits);
  const bracket = spread === null ? null : bracketOf(plan.found.bowlViscosity, spread);
  const chance = spread === null ? null : chanceOfBand(plan.found.bowlViscosity, spread, band, bandLimits);
  const compared = thoughts && !thinking ? multipliedWords(thoughts.multiplied, plan, show) : null;
  const stop = plan.warnings.find((w) => w.severity !== 'caution');
  const barred = stop?.severity === 'stop' ? stop : undefined;

  // What would mend it is looked for at once, so that it is one tap away.
  const grave = stop?.id;
  const asked = useRef('');
  useEffect(() => {
    const key = `${grave} ${address}`;
    if (!grave || asked.current === key) return;
    const timer = setTimeout(() => {
      asked.current = key;
      work('remedies');
    }, SETTLE);
    return () => clearTimeout(timer);
  });
  const mend = stop && remedies?.[stop.id]?.[0];

  const serveAt = now === null ? null : nextTime(order.serveAt, new Date(now));
  const light = serveAt && new Date(serveAt.getTime() - plan.seconds * 1000);
  const sheetOpen = (open: boolean) => setSheet((s) => (open ? s : null));

  const { starting, refused: notStarted, inUse, start, calm } = useStart(order, address, barred, serveAt);
  const refused = notStarted ?? (notFetched && say(notFetched));

  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Plan')}</h1>
      <div className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3 min-[1100px]:px-7">
        <Link
          href={`/recipes/${written.id}?${new URLSearchParams({ plan: address.replace(/^[^?]*\?/, '') })}`}
          className={`float-right ml-3 ${HEAD_BUTTON}`}
        >
          <BookOpen size={20} aria-hidden /> {say('Recipe')}
        </Link>
        <Sentence
          stores={stores}
          choose={choose}
          recipe={recipe}
          written={written}
          aim={aim}
          setup={setup}
          order={order}
          onChange={change}
        />
        <AsCooked written={written} plan={plan} order={order} onChange={change} />
      </div>
      <DoseFirst plan={plan} lightAt={light} />
      {order === first && misread.length > 0 && (
        <ul role="alert" className="shrink-0 bg-butter px-5 py-2 font-bold text-on-butter min-[1100px]:px-7">
          {misread.map((m) => (
            <li key={m.field}>
              {say('The address says {field} “{given}”, which is not {allowed}: the plan is without it.', {
                field: m.field,
                given: m.given,
                allowed: { within: m.allowed },
              })}
            </li>
          ))}
        </ul>
      )}
      <div className="grid shrink-0 grid-cols-1 max-[1100px]:order-3 min-[720px]:grid-cols-[1fr_320px] min-[1100px]:min-h-0 min-[1100px]:flex-1 min-[1100px]:grid-cols-[410px_310px_1fr]">
        <PotPart
          plan={plan}
          lightAt={light}
          show={show}
          onSizes={() => {
            work('scaling');
            setSheet('sizes');
          }}
          onTakeAway={() => setSheet('away')}
        />
        <section
          aria-label={say('Consistency')}
          className="flex min-h-0 flex-col border-ink px-4 py-2 max-[1100px]:h-112 max-[720px]:border-t-2 min-[1100px]:border-r-2"
        >
          <h2 className="flex items-center justify-between gap-2 pb-2">
            <span className="font-bold leading-tight">
              {say.rich('In the bowl, {degrees}<part>mPa·s</part>', {
                part: (text) => <span className="block font-normal text-[15px] text-quiet">{text}</span>,
                degrees: degrees(65, show),
              })}
            </span>
            <button type="button" className={HEAD_BUTTON} onClick={() => setSheet('test')}>
              {say('By a test')}
            </button>
          </h2>
          <div className="min-h-0 flex-1">
            <Ladder
              target={order.target}
              bracket={bracket}
              limits={bandLimits}
              onTarget={(target) => change({ target })}
            />
          </div>
        </section>
        <Lists plan={plan} lightAt={light} show={show} order={order} house={stores.house} onChange={change} />
      </div>
      <Sheet open={sheet === 'test'} onOpenChange={sheetOpen} title={say('Aim by a test')}>
        <ByTest
          plan={plan}
          funnels={stores.house.funnels}
          onTarget={(target) => {
            change({ target });
            setSheet(null);
          }}
        />
      </Sheet>
      <Sheet wide open={sheet === 'sizes'} onOpenChange={sheetOpen} title={say('What changes with the size')}>
        <Sizes sizes={sizes} />
      </Sheet>
      <Sheet open={sheet === 'away'} onOpenChange={sheetOpen} title={say('Print or export the plan')}>
        <TakeAway order={order} dayEnds={stores.house.keeping.dayEnds} />
      </Sheet>
      <footer className="max-[1100px]:contents min-[1100px]:flex min-[1100px]:shrink-0 min-[1100px]:items-stretch min-[1100px]:border-ink min-[1100px]:border-t-2 min-[1100px]:bg-surface">
        <div
          className={clsx(
            'flex min-w-0 shrink-0 items-center border-ink bg-surface px-5 py-3 leading-tight min-[1100px]:flex-[1_1_300px] min-[1100px]:py-2',
            // What stops it is read before Start is tapped.
            refused || stop ? 'max-[1100px]:order-1' : 'max-[1100px]:order-2',
          )}
          aria-live="polite"
        >
          {refused || stop ? (
            <p
              role={refused ? 'alert' : undefined}
              className="flex flex-wrap items-center gap-x-3 gap-y-1 font-bold text-tomato"
            >
              <TriangleAlert className="shrink-0" aria-hidden />
              <span className="min-w-0 flex-1 basis-52">{refused ?? (stop && say(warningLine(stop)))}</span>
              {refused && inUse && (
                <button type="button" className={`shrink-0 ${BUTTON}`} onClick={() => void start(true)}>
                  {say('Start all the same')}
                </button>
              )}
              {mend && (
                <button type="button" className={`shrink-0 ${BUTTON}`} onClick={() => change(mend.change)}>
                  {remedyWords(mend, show)}
                </button>
              )}
            </p>
          ) : compared ? (
            <div>
              <p>
                <b>{compared.headline}</b> {compared.because}
              </p>
              {thoughts?.learned && (
                <p className="pt-0.5 text-[16px]">
                  <Link href="/log/knows" className="underline decoration-butter decoration-2">
                    {say(learnedWords(thoughts.learned))}
                  </Link>
                </p>
              )}
            </div>
          ) : (
            <p className="text-quiet">{say('Working out what multiplying would do …')}</p>
          )}
        </div>
        <div className="flex shrink-0 items-center gap-3 bg-surface px-3 py-2 max-[1100px]:order-1 max-[1100px]:border-ink max-[1100px]:border-b-2">
          <Warnings
            warnings={plan.warnings}
            remedies={remedies}
            show={show}
            onOpen={() => work('remedies')}
            onApply={change}
          />
          {chance !== null && thoughts && (
            <Chance band={band} chance={chance} thoughts={thoughts} stale={thinking} />
          )}
        </div>
        <button
          type="button"
          onClick={() => void start()}
          aria-disabled={starting}
          className={clsx(
            'min-h-20 shrink-0 border-ink px-8 font-bold text-[24px] max-[1100px]:sticky max-[1100px]:bottom-0 max-[1100px]:z-30 max-[1100px]:order-4 max-[1100px]:border-t-2 min-[1100px]:border-l-2',
            barred ? 'bg-ground text-quiet' : 'bg-butter text-on-butter',
          )}
        >
          {starting ? say('Starting …') : say('Start this batch')}
        </button>
      </footer>
    </div>
  );
}
