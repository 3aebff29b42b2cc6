'use client';

import { clsx } from 'clsx';
import { TriangleAlert } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { bandOf } from '../../core/flow/bands';
import { multipliedWords } from '../../core/plan/multiplied';
import { bracketOf, chanceOfBand } from '../../core/plan/uncertainty';
import { fireWords } from '../../core/plan/wording';
import { nextTime, timeOfDay } from '../../core/units/clock';
import { litres } from '../../core/units/format';
import { Ladder } from '../shared/Ladder';
import { PotDrawing } from '../shared/PotDrawing';
import { railChanged } from '../shared/railChange';
import { send } from '../shared/send';
import { useNow } from '../shared/useNow';
import { levelsOf } from './levels';
import type { Stores, Wish } from './request';
import { Sentence } from './Sentence';
import { usePlan } from './usePlan';
import { useTicks } from './useTicks';
import { Warnings } from './Warnings';
import { WeighOut } from './WeighOut';
import { addressOf } from './wish';

/** The address follows the sentence once it rests this long, ms. */
const SETTLE = 250;

export function PlanView({ stores, first }: { stores: Stores; first: Wish }) {
  const [wish, setWish] = useState(first);
  const { plan, recipe, thoughts, thinking } = usePlan(stores, wish);
  const { ticks, tick } = useTicks(plan);
  const [starting, setStarting] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const router = useRouter();
  const now = useNow();
  const { bandLimits } = stores.house.kitchen;

  const change = (to: Partial<Wish>) => {
    setRefused(null);
    setWish((w) => ({ ...w, ...to }));
  };
  const address = addressOf(wish);
  useEffect(() => {
    // The browser's own method: the router's would take back a view change that is under way.
    const note = () => History.prototype.replaceState.call(window.history, window.history.state, '', address);
    const timer = setTimeout(note, SETTLE);
    return () => clearTimeout(timer);
  }, [address]);

  const spread = thoughts?.doubt.spread ?? null;
  const band = bandOf(wish.viscosity, bandLimits);
  const bracket = spread === null ? null : bracketOf(plan.found.bowlViscosity, spread);
  const chance = spread === null ? null : chanceOfBand(plan.found.bowlViscosity, spread, band, bandLimits);
  const compared = thoughts && !thinking ? multipliedWords(thoughts.multiplied, plan) : null;
  const levels = useMemo(() => levelsOf(plan), [plan]);
  const stop = plan.warnings.find((w) => w.severity === 'stop');

  const serveAt = now === null ? null : nextTime(wish.serveAt, new Date(now));
  const lightAt = serveAt ? timeOfDay(new Date(serveAt.getTime() - plan.seconds * 1000)) : null;

  // One id for one wish: pressing twice, or again after a lost answer, starts one batch.
  const batch = useRef({ address: '', id: '' });
  const start = async () => {
    if (starting) return;
    if (stop) {
      setRefused(`${stop.says} ${stop.change}`);
      return;
    }
    if (batch.current.address !== address) batch.current = { address, id: uuid() };
    setStarting(true);
    setRefused(null);
    const { serveAt: _words, ...request } = wish;
    const sent = await send('/api/batches', {
      ...request,
      id: batch.current.id,
      startedAt: new Date().toISOString(),
      serveAt: serveAt?.toISOString() ?? null,
    });
    if (!sent.ok) {
      setStarting(false);
      setRefused(sent.says);
      return;
    }
    railChanged();
    router.push(`/stove/${batch.current.id}`);
  };

  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">Plan</h1>
      <div className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3 min-[1100px]:px-7">
        <Sentence stores={stores} recipe={recipe} wish={wish} lightAt={lightAt} onChange={change} />
      </div>
      <div className="grid shrink-0 grid-cols-1 min-[720px]:grid-cols-[1fr_320px] min-[1100px]:min-h-0 min-[1100px]:flex-1 min-[1100px]:grid-cols-[410px_310px_1fr]">
        <section
          aria-label="The pot"
          className="flex min-h-0 flex-col border-ink px-4 py-3 max-[1100px]:h-104 min-[720px]:border-r-2"
        >
          <h2 className="font-bold">{plan.stand.vessel.name}</h2>
          <div className="min-h-56 flex-1">
            <PotDrawing vessel={plan.stand.vessel} levels={levels} pieces={plan.solved.run.pot.pieces} />
          </div>
          <p className="pt-1">
            <b>{plan.stand.burner.name}.</b> {fireWords(plan)}
            <br />
            Gives off <b>{litres(plan.steamG)} L</b> of water on the way.
          </p>
        </section>
        <section
          aria-label="Consistency"
          className="flex min-h-0 flex-col border-ink px-4 py-3 max-[1100px]:h-104 max-[720px]:border-t-2 min-[1100px]:border-r-2"
        >
          <h2 className="flex justify-between gap-2 pb-2">
            <span className="font-bold">In the bowl, 65 °C</span>
            <span className="text-quiet">mPa·s</span>
          </h2>
          <div className="min-h-0 flex-1">
            <Ladder
              target={wish.viscosity}
              bracket={bracket}
              limits={bandLimits}
              onTarget={(viscosity) => change({ viscosity })}
            />
          </div>
        </section>
        <div className="min-h-0 border-ink px-4 py-3 max-[1100px]:col-span-full max-[1100px]:border-t-2">
          <WeighOut lines={plan.weighOut} ticks={ticks} onTick={tick} />
        </div>
      </div>
      <footer className="max-[1100px]:contents min-[1100px]:flex min-[1100px]:shrink-0 min-[1100px]:items-stretch min-[1100px]:border-ink min-[1100px]:border-t-2 min-[1100px]:bg-surface">
        <div
          className="flex min-w-0 shrink-0 items-center border-ink bg-surface px-5 py-3 leading-tight max-[1100px]:border-t-2 min-[1100px]:flex-[1_1_300px] min-[1100px]:py-2"
          aria-live="polite"
        >
          {refused || stop ? (
            <p role={refused ? 'alert' : undefined} className="flex items-center gap-3 font-bold text-tomato">
              <TriangleAlert className="shrink-0" aria-hidden />
              {refused ?? `${stop?.says} ${stop?.change}`}
            </p>
          ) : compared ? (
            <p>
              <b>{compared.headline}</b> {compared.because}
            </p>
          ) : (
            <p className="text-quiet">Working out what multiplying would do …</p>
          )}
        </div>
        <div className="flex shrink-0 items-center gap-3 bg-surface px-3 py-2">
          <Warnings warnings={plan.warnings} />
          {chance !== null && (
            <p
              className={clsx(
                'flex h-14 items-center rounded-sm border-2 border-ink px-4 font-bold',
                thinking && 'opacity-60',
              )}
            >
              {Math.round(chance * 10)} in 10 land in {band}
            </p>
          )}
        </div>
        <button
          type="button"
          onClick={start}
          aria-disabled={starting}
          className={clsx(
            'min-h-20 shrink-0 border-ink px-8 font-bold text-[24px] max-[1100px]:sticky max-[1100px]:bottom-0 max-[1100px]:z-30 max-[1100px]:border-t-2 min-[1100px]:border-l-2',
            stop ? 'bg-ground text-quiet' : 'bg-butter text-on-butter',
          )}
        >
          {starting ? 'Starting …' : 'Start this batch'}
        </button>
      </footer>
    </div>
  );
}
