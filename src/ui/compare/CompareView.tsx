'use client';

import { askedVolume } from '../../core/units/shown/show';
import '../../core/food/load';
import { Suspense, useMemo, useState } from 'react';
import type { Finished, Held } from '../../core/compare/beside/finished';
import { bandOf } from '../../core/flow/bands';
import { message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { usualShare } from '../../core/order/amended';
import type { TimedOrder } from '../../core/order/order';
import { AS_WRITTEN, WAYS } from '../../core/order/ways';
import { mPas } from '../../core/units/shown/format';
import { addressOf, SHARES } from '../order/address';
import { finishWords } from '../order/finishWords';
import { HeldPart } from '../order/HeldPart';
import type { Shelf } from '../order/stores';
import { useOneByOne } from '../order/useOneByOne';
import { useShelf } from '../order/useShelf';
import { Choice } from '../shared/form/Choice';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Link } from '../shared/Link';
import { lazily } from '../shared/lazily';
import { Scroll } from '../shared/Scroll';
import { columnsFor } from './columns';
import { FinishTable } from './FinishTable';
import { WaysTable } from './WaysTable';

/** Loaded once the doses are in. */
const Curves = lazily(async () => (await import('./Curves')).Curves);
const FinishCurves = lazily(async () => (await import('./FinishCurves')).FinishCurves);

/** The recipe’s own way and the others. */
const HOW_MANY = WAYS.length + 1;

/** One pot, every thickener: doses and properties as a table, curves beside, one of them taken into the plan. */
export function CompareView({ stores: opened, first }: { stores: Shelf; first: TimedOrder }) {
  const say = useSay();
  const show = useShow();
  const { stores, choose, refused } = useShelf(opened);
  const { house, recipes, soups } = stores;
  const [order, setOrder] = useState(first);
  const written = recipes.find((r) => r.id === order.recipeId) ?? recipes[0];
  const vessel = house.vessels.find((v) => v.id === order.vesselId) ?? house.vessels[0];
  const burner = house.burners.find((b) => b.id === order.burnerId) ?? house.burners[0];
  const [share, setShare] = useState(order.share ?? (written ? usualShare(written) : 1));
  const [shown, setShown] = useState<'table' | 'curves'>('table');
  const [picked, setPicked] = useState(order.way ?? AS_WRITTEN.id);
  const question = useMemo(() => {
    if (!written || !vessel || !burner) return null;
    return {
      recipe: written,
      order: { ...order, share },
      setup: { vessel, burner, kitchen: house.kitchen },
    };
  }, [order, share, written, vessel, burner, house.kitchen]);
  // What the others are set beside; a tap on one does not ask anew.
  const asOpened = useMemo(
    () => ({ finish: first.finish, rich: first.rich, finishMl: first.finishMl }),
    [first],
  );
  const [side, setSide] = useState<'thicken' | 'finish'>('thicken');
  const [held, setHeld] = useState<Held>('richness');
  const finishing = useMemo(
    () =>
      question && side === 'finish'
        ? {
            ...question,
            order: { ...question.order, ...asOpened },
            held,
            curved: shown === 'curves',
          }
        : null,
    [question, side, held, shown, asOpened],
  );
  const finishes = useOneByOne(
    'finish',
    JSON.stringify([{ ...order, ...asOpened }, share, held, shown]),
    finishing,
  );
  const { all } = useOneByOne(
    'compare',
    JSON.stringify([order, share]),
    side === 'thicken' ? question : null,
  );
  if (!written || !vessel || !burner || !question) return null;

  const { bandLimits } = house.kitchen;
  const done = all.length === HOW_MANY;
  const one = all.find((c) => c.way.id === picked) ?? all[0];
  const pickFinish = ({ change }: Finished) =>
    setOrder((o) => ({ ...o, rich: undefined, finishMl: undefined, ...change }));
  const finish = finishes.all.find((f) => f.finish.id === order.finish);
  const into: TimedOrder = {
    ...order,
    way: picked === AS_WRITTEN.id ? undefined : picked,
    share: picked === AS_WRITTEN.id ? undefined : share,
  };
  const _columns = columnsFor(house.currency);
  const own = all.find((c) => c.way.id === AS_WRITTEN.id);
  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Compare')}</h1>
      <div className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-2 border-ink border-b-2 bg-surface px-5 py-3 min-[1100px]:px-7">
        <p className="text-[clamp(20px,2.05vw,27px)] leading-[1.5]">
          {say('{litres} of', { litres: askedVolume(order.litres, show) })}{' '}
          <Choice
            label={say('Soup')}
            value={written.id}
            words={written.name.toLowerCase()}
            onChange={(recipeId) =>
              choose(recipeId, (next) => {
                setPicked(AS_WRITTEN.id);
                setShare(usualShare(next));
                setOrder((w) => ({ ...w, recipeId, rule: undefined, colour: undefined }));
              })
            }
            options={soups.map((r) => ({ value: r.id, words: r.name, aside: r.school }))}
          />
          {say.rich(', <b>{band}</b> ({target} mPa·s), in <b>{name}</b>.', {
            b: (text) => <b>{text}</b>,
            band: term(bandOf(order.target, bandLimits)),
            target: mPas(order.target),
            name: vessel.name,
          })}
        </p>
        {refused && (
          <p role="alert" className="font-bold text-tomato">
            {say(refused)}
          </p>
        )}
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
      </div>
      {side === 'finish' && shown === 'curves' ? (
        <Suspense fallback={<p className="p-4 text-quiet">{say('Drawing the curves …')}</p>}>
          <FinishCurves
            all={finishes.all}
            picked={order.finish}
            currency={house.currency}
            onPick={pickFinish}
          />
        </Suspense>
      ) : side === 'finish' ? (
        <FinishTable
          all={finishes.all}
          done={finishes.done}
          picked={order.finish}
          currency={house.currency}
          onPick={pickFinish}
        />
      ) : shown === 'table' ? (
        <WaysTable
          all={all}
          of={HOW_MANY}
          own={own}
          picked={picked}
          currency={house.currency}
          onPick={setPicked}
        />
      ) : (
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
            {done ? (
              <Suspense fallback={<p className="text-quiet">{say('Drawing the curves …')}</p>}>
                <Curves all={all} picked={picked} target={order.target} limits={bandLimits} />
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
      )}
      <footer className="sticky bottom-0 z-20 flex shrink-0 items-stretch border-ink border-t-2 bg-surface max-[720px]:flex-col">
        <p className="min-w-0 flex-1 self-center px-5 py-2 leading-tight" aria-live="polite">
          {side === 'finish' && (
            <>
              <b>{say('Finished with {finish}.', { finish: finishWords(order, written) })}</b>{' '}
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
        </p>
        <Link
          href={addressOf(into)}
          className="grid min-h-20 shrink-0 place-items-center border-ink bg-butter px-8 font-bold text-[24px] text-on-butter min-[720px]:border-l-2"
        >
          {say('Take it into the plan')}
        </Link>
      </footer>
    </div>
  );
}
