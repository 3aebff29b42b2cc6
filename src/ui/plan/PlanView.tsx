'use client';
import { BookOpen } from 'lucide-react';
import { useState } from 'react';
import type { TimedOrder } from '../../core/order/order';
import type { Begun } from '../../core/plan/plan';
import { degrees } from '../../core/units/shown/show';
import type { Misread } from '../order/address';
import type { Shelf } from '../order/stores';
import { Ladder } from '../shared/draw/Ladder';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { lazily } from '../shared/lazily';
import { Sheet } from '../shared/Sheet';
import { HEAD_BUTTON } from '../shared/styles';
import { AsCooked } from './AsCooked';
import { DoseFirst } from './DoseFirst';
import { Foot } from './foot/Foot';
import { Lists } from './lists/Lists';
import { PotPart } from './PotPart';
import { Sentence } from './sentence/Sentence';
import { type OrderHere, useOrdered } from './useOrdered';

/** Loaded when first asked for. */
const ByTest = lazily(async () => (await import('./sentence/ByTest')).ByTest);
const Sizes = lazily(async () => (await import('./Sizes')).Sizes);
const TakeAway = lazily(async () => (await import('./TakeAway')).TakeAway);

type Props = {
  readonly stores: Shelf;
  readonly first: TimedOrder;
  /** The first order as it was solved by the server; undefined where it had no time. */
  readonly begun: Begun | undefined;
  /** What the address says and cannot be taken. */
  readonly misread: readonly Misread[];
};

/** A soup ordered as a sentence, and its plan: what to weigh, when to light, where it lands and how surely. */
export function PlanView({ stores: opened, first, begun, misread }: Props) {
  const say = useSay();
  const of = useOrdered(opened, first, begun);
  const { plan, recipe, written, setup, order, stores, change, light, work } = of;
  const [sheet, setSheet] = useState<OpenSheet>(null);
  const show = say.reader;
  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Plan')}</h1>
      <div className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3 min-[1100px]:px-7">
        <Link
          href={`/recipes/${written.id}?${new URLSearchParams({ plan: of.address.replace(/^[^?]*\?/, '') })}`}
          className={`float-right ml-3 ${HEAD_BUTTON}`}
        >
          <BookOpen size={20} aria-hidden /> {say('Recipe')}
        </Link>
        <Sentence
          stores={stores}
          choose={of.choose}
          recipe={recipe}
          written={written}
          aim={of.aim}
          setup={setup}
          order={order}
          onChange={change}
        />
        <AsCooked written={written} plan={plan} order={order} onChange={change} />
      </div>
      <DoseFirst plan={plan} lightAt={light} />
      {of.asFirst && misread.length > 0 && <MisreadList misread={misread} />}
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
        <Consistency of={of} onTest={() => setSheet('test')} />
        <Lists plan={plan} lightAt={light} show={show} order={order} house={stores.house} onChange={change} />
      </div>
      <Sheets of={of} sheet={sheet} onClose={() => setSheet(null)} />
      <Foot of={of} />
    </div>
  );
}

type OpenSheet = 'test' | 'sizes' | 'away' | null;

/** What the address says and cannot be taken. */
function MisreadList({ misread }: Pick<Props, 'misread'>) {
  const say = useSay();
  return (
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
  );
}

type Part = { readonly of: OrderHere };

/** Where it is to land on the ladder, moved by a finger. */
function Consistency({
  of: { order, bracket, stores, change },
  onTest,
}: Part & { readonly onTest: () => void }) {
  const say = useSay();
  return (
    <section
      aria-label={say('Consistency')}
      className="flex min-h-0 flex-col border-ink px-4 py-2 max-[1100px]:h-112 max-[720px]:border-t-2 min-[1100px]:border-r-2"
    >
      <h2 className="flex items-center justify-between gap-2 pb-2">
        <span className="font-bold leading-tight">
          {say.rich('In the bowl, {degrees}<part>mPa·s</part>', {
            part: (text) => <span className="block font-normal text-[15px] text-quiet">{text}</span>,
            degrees: degrees(65, say.reader),
          })}
        </span>
        <button type="button" className={HEAD_BUTTON} onClick={onTest}>
          {say('By a test')}
        </button>
      </h2>
      <div className="min-h-0 flex-1">
        <Ladder
          target={order.target}
          bracket={bracket}
          limits={stores.house.kitchen.bandLimits}
          onTarget={(target) => change({ target })}
        />
      </div>
    </section>
  );
}

type SheetsProps = Part & { readonly sheet: OpenSheet; readonly onClose: () => void };

function Sheets({ of: { plan, order, stores, sizes, change }, sheet, onClose }: SheetsProps) {
  const say = useSay();
  const sheetOpen = (open: boolean) => open || onClose();
  return (
    <>
      <Sheet open={sheet === 'test'} onOpenChange={sheetOpen} title={say('Aim by a test')}>
        <ByTest
          plan={plan}
          funnels={stores.house.funnels}
          onTarget={(target) => {
            change({ target });
            onClose();
          }}
        />
      </Sheet>
      <Sheet wide open={sheet === 'sizes'} onOpenChange={sheetOpen} title={say('What changes with the size')}>
        <Sizes sizes={sizes} />
      </Sheet>
      <Sheet open={sheet === 'away'} onOpenChange={sheetOpen} title={say('Print or export the plan')}>
        <TakeAway order={order} dayEnds={stores.house.keeping.dayEnds} />
      </Sheet>
    </>
  );
}
