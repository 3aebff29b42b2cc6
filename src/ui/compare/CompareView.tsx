'use client';

import { askedVolume } from '../../core/units/shown/show';
import '../../core/food/load';
import { Suspense } from 'react';
import { bandOf } from '../../core/flow/bands';
import { message } from '../../core/message/message';
import { term } from '../../core/message/term';
import type { TimedOrder } from '../../core/order/order';
import { AS_WRITTEN } from '../../core/order/ways';
import { mPas } from '../../core/units/shown/format';
import { addressOf, SHARES } from '../order/address';
import { finishWords } from '../order/finishWords';
import { HeldPart } from '../order/HeldPart';
import type { Shelf } from '../order/stores';
import { Choice } from '../shared/form/Choice';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Link } from '../shared/Link';
import { lazily } from '../shared/lazily';
import { Scroll } from '../shared/Scroll';
import { FinishTable } from './FinishTable';
import { type Comparing, HOW_MANY, useComparing } from './useComparing';
import { WaysTable } from './WaysTable';

/** Loaded once the doses are in. */
const Curves = lazily(async () => (await import('./Curves')).Curves);
const FinishCurves = lazily(async () => (await import('./FinishCurves')).FinishCurves);

type Part = { readonly of: Comparing };
type Asked = Part & { readonly question: NonNullable<Comparing['question']> };

/** One pot, every thickener: doses and properties as a table, curves beside, one of them taken into the plan. */
export function CompareView({ stores, first }: { stores: Shelf; first: TimedOrder }) {
  const say = useSay();
  const of = useComparing(stores, first);
  const { question } = of;
  if (!question) return null;
  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Compare')}</h1>
      <Head of={of} question={question} />
      {of.side === 'finish' ? <Finishing of={of} /> : <Thickening of={of} />}
      <footer className="sticky bottom-0 z-20 flex shrink-0 items-stretch border-ink border-t-2 bg-surface max-[720px]:flex-col">
        <p className="min-w-0 flex-1 self-center px-5 py-2 leading-tight" aria-live="polite">
          <Picked of={of} question={question} />
        </p>
        <Link
          href={addressOf(of.into)}
          className="grid min-h-20 shrink-0 place-items-center border-ink bg-butter px-8 font-bold text-[24px] text-on-butter min-[720px]:border-l-2"
        >
          {say('Take it into the plan')}
        </Link>
      </footer>
    </div>
  );
}

/** What is compared, as a sentence. */
function Head({ of, question: { recipe, setup } }: Asked) {
  const say = useSay();
  const show = useShow();
  const { stores, order, refused } = of;
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-2 border-ink border-b-2 bg-surface px-5 py-3 min-[1100px]:px-7">
      <p className="text-[clamp(20px,2.05vw,27px)] leading-[1.5]">
        {say('{litres} of', { litres: askedVolume(order.litres, show) })}{' '}
        <Choice
          label={say('Soup')}
          value={recipe.id}
          words={recipe.name.toLowerCase()}
          onChange={of.chooseSoup}
          options={stores.soups.map((r) => ({ value: r.id, words: r.name, aside: r.school }))}
        />
        {say.rich(', <b>{band}</b> ({target} mPa·s), in <b>{name}</b>.', {
          b: (text) => <b>{text}</b>,
          band: term(bandOf(order.target, stores.house.kitchen.bandLimits)),
          target: mPas(order.target),
          name: setup.vessel.name,
        })}
      </p>
      {refused && (
        <p role="alert" className="font-bold text-tomato">
          {say(refused)}
        </p>
      )}
      <Sides of={of} />
    </div>
  );
}

/** Which side of it, what is held, and as what it is shown. */
function Sides({ of: { side, setSide, held, setHeld, share, setShare, shown, setShown } }: Part) {
  const say = useSay();
  return (
    <span className="ml-auto flex flex-wrap items-center gap-3">
      <Segments
        label={say('Side')}
        value={side}
        onChange={setSide}
        options={[
          { value: 'thicken', words: say('Thicken') },
          { value: 'finish', words: say('Finish') },
        ]}
      />
      {side === 'finish' && <HeldPart held={held} onChange={setHeld} />}
      {side === 'thicken' && (
        <>
          <span className="font-bold">{say('It does')}</span>
          <Segments
            label={say('Part of the thickening it does')}
            value={String(share)}
            onChange={(v) => setShare(Number(v))}
            options={SHARES.map((s) => ({
              value: String(s),
              words: s === 1 ? say('all') : `${s * 100} %`,
            }))}
          />
        </>
      )}
      <Segments
        label={say('Shown as')}
        value={shown}
        onChange={setShown}
        options={[
          { value: 'table', words: say('Table') },
          { value: 'curves', words: say('Curves') },
        ]}
      />
    </span>
  );
}

function Finishing({ of: { shown, finishes, order, stores, pickFinish } }: Part) {
  const say = useSay();
  const { house } = stores;
  return shown === 'curves' ? (
    <Suspense fallback={<p className="p-4 text-quiet">{say('Drawing the curves …')}</p>}>
      <FinishCurves all={finishes.all} picked={order.finish} currency={house.currency} onPick={pickFinish} />
    </Suspense>
  ) : (
    <FinishTable
      all={finishes.all}
      done={finishes.done}
      picked={order.finish}
      currency={house.currency}
      onPick={pickFinish}
    />
  );
}

function Thickening({ of }: Part) {
  const { all, own, picked, setPicked, stores } = of;
  return of.shown === 'table' ? (
    <WaysTable
      all={all}
      of={HOW_MANY}
      own={own}
      picked={picked}
      currency={stores.house.currency}
      onPick={setPicked}
    />
  ) : (
    <WayCurves of={of} />
  );
}

/** Every way’s dose against what it does, beside the list of them. */
function WayCurves({ of }: Part) {
  const say = useSay();
  const { all, picked, setPicked, order } = of;
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[260px_1fr] max-[720px]:grid-cols-1">
      <Scroll label={say('Ways')} className="overflow-y-auto border-ink border-r-2">
        {all.map((c) => (
          <button
            key={c.way.id}
            type="button"
            aria-pressed={c.way.id === picked}
            disabled={c.curve.length === 0}
            onClick={() => setPicked(c.way.id)}
            className={`block min-h-12 w-full border-rule border-b px-4 py-1 text-left font-bold leading-tight disabled:text-quiet ${c.way.id === picked ? 'bg-butter text-on-butter' : ''}`}
          >
            {say('{way}', { way: { opening: term(c.way.words) } })}
          </button>
        ))}
      </Scroll>
      <div className="min-h-100 p-4">
        {all.length === HOW_MANY ? (
          <Suspense fallback={<p className="text-quiet">{say('Drawing the curves …')}</p>}>
            <Curves
              all={all}
              picked={picked}
              target={order.target}
              limits={of.stores.house.kitchen.bandLimits}
            />
          </Suspense>
        ) : (
          <p role="status" className="text-quiet">
            {say('Simulating each, {count} of {of} …', {
              count: all.length,
              of: HOW_MANY,
            })}
          </p>
        )}
      </div>
    </div>
  );
}

/** What is picked, and what is to be known of it. */
function Picked({ of: { side, order, finish, one }, question: { recipe } }: Asked) {
  const say = useSay();
  return (
    <>
      {side === 'finish' && (
        <>
          <b>{say('Finished with {finish}.', { finish: finishWords(order, recipe) })}</b>{' '}
          {finish?.fit.reasons.map((r) => say(r.says)).join(' ')}
        </>
      )}
      {side === 'thicken' && one && (
        <>
          <b>{say('{way}.', { way: { opening: term(one.way.words) } })}</b>{' '}
          {one.fit.reasons.map((r) => say(r.says)).join(' ')}
          {one.properties && say(' Tastes {taste}.', { taste: term(one.properties.taste) })}
          {one.way.id === AS_WRITTEN.id &&
            say(' Contains {allergens}.', {
              allergens: one.allergens.length
                ? { listed: one.allergens.map(term) }
                : message('no known allergen'),
            })}
        </>
      )}
    </>
  );
}
