'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { beginning, type Chosen } from '../../core/adjust/begin';
import { disagrees, FRESH, saidOfThickness } from '../../core/adjust/disagrees';
import { DOSED } from '../../core/adjust/faults';
import { takenAsSalty } from '../../core/adjust/means/thinner';
import { agesOf, contradictionIn, type Measured, measuredFrom } from '../../core/adjust/measured';
import type { Cure, Option, Wishes } from '../../core/adjust/option';
import { leavingOut, saltToCome, takenAsSeen } from '../../core/adjust/said';
import type { Batch } from '../../core/batch/record';
import { bandOf } from '../../core/flow/bands';
import type { House } from '../../core/kitchen/house';
import { message } from '../../core/message/message';
import { useBatch } from '../device/useBatch';
import { useFollow } from '../device/useFollow';
import { useNow } from '../device/useNow';
import { Faces } from '../frame/Faces';
import { useKeptPage } from '../frame/useKeptPage';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Scroll } from '../shared/Scroll';
import { AsMeasured } from './AsMeasured';
import { Clash } from './Clash';
import { CureCard } from './cards/CureCard';
import { OptionCard } from './cards/OptionCard';
import { Faults } from './Faults';
import { Landing } from './Landing';
import { MeasureFirst } from './MeasureFirst';
import { lastAt } from './marks';
import { PotPick } from './PotPick';
import { SaltLeft } from './SaltLeft';
import { useAdvice } from './useAdvice';
import { Conditions, minutesLeft } from './wanted/Conditions';
import { useLarder } from './wanted/useLarder';
import { useWanted } from './wanted/useWanted';

type Props = {
  readonly house: House;
  readonly batch: Batch;
  readonly pots: readonly { readonly id: string; readonly name: string }[];
};

/** It is wrong, and service is near: what to add, how, and what it will do, before anything goes in. */
export function FixView({ house, batch: initial, pots }: Props) {
  const say = useSay();
  useKeptPage();
  const { batch, write } = useBatch(initial);
  const now = useNow();
  const { going, lost } = useFollow(batch, now);
  const show = useShow();
  const router = useRouter();
  const [wanted, want] = useWanted(batch.id);
  const { faults, freeOf, noFlour, keepYield, by } = wanted;
  const [chosenId, setChosenId] = useState<string | null>(null);
  const { keeps, larder, toggle } = useLarder(house);

  const minutes = minutesLeft(batch.serveAt, by, now ?? 0);
  const followed = going?.followed ?? null;
  // The pot moves little from second to second: it is taken anew twice a minute.
  const moment = now === null ? null : Math.floor(now / 30_000) * 30_000;
  const measured: Measured | null = useMemo(
    () =>
      followed && moment !== null
        ? measuredFrom(followed, Math.max(moment, lastAt(followed.state.events)), batch.plan.litres)
        : null,
    [followed, moment, batch.plan.litres],
  );
  const wishes: Wishes = useMemo(
    () => ({ larder, minutes, freeOf, pins: { noFlour, keepYield } }),
    [larder, minutes, freeOf, noFlour, keepYield],
  );
  const clash = followed ? contradictionIn(followed) : null;
  const saltyBefore =
    followed?.state.events.filter((e) => e.body.kind === 'corrected' && e.body.faults.includes('too salty'))
      .length ?? 0;
  const lands = going?.to.end.bowlViscosity ?? 1;
  const atOdds = disagrees(faults, lands, followed?.cooked.target ?? 1);
  const salty = faults.includes('too salty');
  // Salt that is not in yet is left out: there is nothing to guess about.
  const toCome = useMemo(
    () => (followed && salty ? saltToCome(followed.state.steps) : []),
    [followed, salty],
  );
  const taken = useMemo(() => {
    const seen = measured && atOdds ? takenAsSeen(measured, faults) : measured;
    return seen && salty && toCome.length === 0 ? takenAsSalty(seen, saltyBefore) : seen;
  }, [measured, atOdds, faults, salty, toCome, saltyBefore]);
  const asked = JSON.stringify([
    faults,
    [...larder],
    freeOf,
    noFlour,
    keepYield,
    by,
    followed?.state.events.length,
  ]);
  const { told: advice, failed } = useAdvice(faults, clash ? null : taken, wishes, batch.plan.seconds, asked);
  const options = advice?.options ?? [];
  const cures = advice?.cures ?? [];
  const left = advice?.otherwise ?? null;
  const chosen = options.find((o) => o.id === chosenId) ?? options.find((o) => o.struck === null) ?? null;
  const limits = house.kitchen.bandLimits;
  const band = followed ? bandOf(followed.cooked.target, limits) : batch.plan.band;

  if (now === null || !going || !followed)
    return (
      <p role="status" className="p-8 text-quiet">
        {lost
          ? say(
              'The model cannot follow this batch: it cannot be put right by it. Its plan and timers are on the Stove.',
            )
          : batch.plan.cooked
            ? say('One moment …')
            : say('This batch was begun before the model went along: it cannot be put right by it.')}
      </p>
    );

  const ages = agesOf(followed);
  const stale = ages.flow === null || ages.since !== null || now - ages.flow > FRESH;
  const begin = (chosen: Omit<Chosen, 'faults'>) => {
    for (const body of beginning(followed.state, { ...chosen, faults }, say)) write(body);
    want({ faults: [] });
    router.push(`/stove/${batch.id}`);
  };
  const doOption = (o: Option) => begin({ title: o.title, how: [], minutes: 0, dosed: o });
  const doFirst = (o: Option) =>
    o.inTwo &&
    begin({
      title: message('{title}, {half, select, yes {half} other {two thirds}}', {
        title: o.title,
        half: o.inTwo.half ? 'yes' : 'no',
      }),
      how: [],
      minutes: 0,
      dosed: { ...o.inTwo, minutes: o.minutes },
    });
  const card = (o: Option, key: string, onChoose = () => {}) => (
    <OptionCard
      key={key}
      option={o}
      band={band}
      now={now}
      currency={house.currency}
      owedMl={batch.plan.litres * 1000}
      chosen={key === chosen?.id}
      onChoose={onChoose}
      onDo={() => doOption(o)}
      onFirst={() => doFirst(o)}
    />
  );
  const doCure = ({ title, how, minutes, option }: Cure) =>
    begin({ title, how, minutes, dosed: option?.struck === null ? option : null });

  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:grid min-[1100px]:grid-cols-[308px_1fr_284px] min-[1100px]:overflow-hidden">
      <h1 className="sr-only">{say('Fix: it is wrong, what now')}</h1>
      <Scroll
        label={say('What is wrong')}
        className="shrink-0 border-ink bg-ground px-4 py-3 max-[1100px]:border-b-2 min-[1100px]:overflow-y-auto min-[1100px]:border-r-2"
      >
        <div className="mb-2">
          <Faces batchId={batch.id} />
        </div>
        <PotPick pots={pots} batchId={batch.id} />
        <Faults
          chosen={faults}
          onChange={(f) => {
            want({ faults: f });
            setChosenId(null);
          }}
        />
      </Scroll>

      <Scroll
        label={say('What to do')}
        className="flex min-w-0 shrink-0 flex-col gap-3 bg-surface px-5 py-3 min-[1100px]:overflow-y-auto"
      >
        <AsMeasured name={batch.plan.recipeName} seen={going.seen} ages={ages} now={now} />
        <Conditions
          wanted={wanted}
          want={want}
          minutes={minutes}
          now={now}
          larder={larder}
          keeps={keeps}
          onToggle={toggle}
        />
        {clash && <Clash clash={clash} events={followed.state.events} write={write} batchId={batch.id} />}
        {!clash && saidOfThickness(faults) !== 0 && (atOdds || stale) && (
          <MeasureFirst
            atOdds={atOdds}
            tested={ages.flow !== null}
            lands={lands}
            limits={limits}
            batchId={batch.id}
          />
        )}
        {atOdds && taken && !clash && (
          <p>
            {say(
              'Until it is tested it is taken as you see it: {said, select, thick {half as thick again as} other {two thirds as thick as}} it should be. A smaller step first.',
              { said: saidOfThickness(faults) > 0 ? 'thick' : 'thin' },
            )}
          </p>
        )}
        {toCome.length > 0 && (
          <SaltLeft
            held={going.seen.saltPercent}
            g={toCome.reduce((sum, s) => sum + s.g, 0)}
            onLeave={() => {
              for (const body of leavingOut(toCome)) write(body);
            }}
          />
        )}
        {salty &&
          toCome.length === 0 &&
          measured &&
          going.seen.saltPercent <= followed.kitchen.saltPercent * 1.05 && (
            <p>
              {say(
                'By what went in it holds {held} % salt. Your tongue says otherwise, so it is taken as {first, select, yes {a quarter} other {a little}} over the house’s {wanted} %.',
                {
                  held: going.seen.saltPercent.toFixed(2),
                  first: saltyBefore === 0 ? 'yes' : 'no',
                  wanted: followed.kitchen.saltPercent.toFixed(2),
                },
              )}
            </p>
          )}
        {faults.length === 0 && <p className="text-[22px]">{say('Tap what is wrong.')}</p>}
        {faults.length > 0 && !clash && advice && advice.done < advice.of && (
          <p role="status" className="text-quiet">
            {say('Trying {of} ways on a copy of the pot: {done} done …', {
              of: advice.of,
              done: advice.done,
            })}
          </p>
        )}
        {failed && (
          <p role="alert" className="font-bold text-tomato">
            {say('This could not be worked out. What was read is kept: change what is asked, or reload.')}
          </p>
        )}
        <ul aria-label={say('Corrections')} className="flex flex-col gap-3 pb-4">
          {clash
            ? null
            : cures
                .filter((c) => !DOSED.has(c.fault))
                .map((c) => <CureCard key={c.fault} cure={c} onDo={() => doCure(c)} />)}
          {!clash && left && (
            <>
              <li className="list-none font-bold text-[19px]">
                {say('Nothing fits the {minutes} min. The quickest is on the pass {late} min late:', {
                  minutes: Math.max(0, Math.floor(minutes)),
                  late: Math.max(1, Math.ceil(left.late)),
                })}
              </li>
              {card(left.quickest, `quickest ${left.quickest.id}`)}
              {left.smaller && (
                <>
                  <li className="list-none font-bold text-[19px]">
                    {say('What a smaller step reaches by then:')}
                  </li>
                  {card(left.smaller, `smaller ${left.smaller.id}`)}
                </>
              )}
            </>
          )}
          {options.map((o) => card(o, o.id, () => setChosenId(o.id)))}
          {/* What a dose mends by itself comes before what takes more. */}
          {!clash &&
            cures
              .filter((c) => DOSED.has(c.fault))
              .map((c) => <CureCard key={c.fault} cure={c} onDo={() => doCure(c)} />)}
          {!clash && cures.map((c) => c.option && card(c.option, `${c.fault} ${c.option.id}`))}
        </ul>
        {faults.length > 0 &&
          !clash &&
          advice &&
          advice.done === advice.of &&
          advice.options.length === 0 &&
          advice.cures.length === 0 &&
          toCome.length === 0 &&
          faults.some((f) => DOSED.has(f)) && (
            <p>{say('Nothing here mends it: look under “Ingredients here”.')}</p>
          )}
      </Scroll>

      <Landing followed={followed} going={going} chosen={chosen} limits={limits} show={show} />
    </div>
  );
}
