'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { beginning, type Chosen } from '../../core/adjust/begin';
import { DOSED } from '../../core/adjust/faults';
import type { Cure, Option } from '../../core/adjust/option';
import type { Batch } from '../../core/batch/record';
import { bandOf } from '../../core/flow/bands';
import type { House } from '../../core/kitchen/house';
import { message } from '../../core/message/message';
import type { Going } from '../device/useFollow';
import { Faces } from '../frame/Faces';
import { useKeptPage } from '../frame/useKeptPage';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Scroll } from '../shared/Scroll';
import { AsMeasured } from './before/AsMeasured';
import { Before } from './before/Before';
import { Corrections } from './cards/Corrections';
import { Faults } from './Faults';
import { Landing } from './Landing';
import { PotPick } from './PotPick';
import { type Fix, useFix } from './useFix';
import { Conditions } from './wanted/Conditions';

type Props = {
  readonly house: House;
  readonly batch: Batch;
  readonly pots: readonly { readonly id: string; readonly name: string }[];
};

/** It is wrong, and service is near: what to add, how, and what it will do, before anything goes in. */
export function FixView({ house, batch, pots }: Props) {
  const say = useSay();
  useKeptPage();
  const fix = useFix(house, batch);
  const { going, now, lost } = fix;
  if (now === null || !going)
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
  return <Fixing house={house} fix={fix} going={going} now={now} pots={pots} />;
}

type Pot = Pick<Props, 'house' | 'pots'> & { readonly fix: Fix; readonly going: Going; readonly now: number };

function Fixing({ house, fix, going, now, pots }: Pot) {
  const say = useSay();
  const show = useShow();
  const [chosenId, setChosenId] = useState<string | null>(null);
  const { batch, wanted, want, advice } = fix;
  const options = advice?.options ?? [];
  const chosen = options.find((o) => o.id === chosenId) ?? options.find((o) => o.struck === null) ?? null;
  const limits = house.kitchen.bandLimits;
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
          chosen={wanted.faults}
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
        {fix.ages && <AsMeasured name={batch.plan.recipeName} seen={going.seen} ages={fix.ages} now={now} />}
        <Conditions
          wanted={wanted}
          want={want}
          minutes={fix.minutes}
          now={now}
          larder={fix.larder}
          keeps={fix.keeps}
          onToggle={fix.toggle}
        />
        <Before fix={fix} going={going} limits={limits} />
        <Asking fix={fix} />
        <Doing house={house} fix={fix} going={going} now={now} chosen={chosen} onChoose={setChosenId} />
        <Nothing fix={fix} />
      </Scroll>
      <Landing followed={going.followed} going={going} chosen={chosen} limits={limits} show={show} />
    </div>
  );
}

type DoingProps = Omit<Pot, 'pots'> & {
  readonly chosen: Option | null;
  readonly onChoose: (id: string) => void;
};

/** The ways to put it right; one taken becomes steps of the batch, and its stove comes up. */
function Doing({ house, fix, going, now, chosen, onChoose }: DoingProps) {
  const say = useSay();
  const router = useRouter();
  const { batch, wanted, want, write } = fix;
  const begin = (taken: Omit<Chosen, 'faults'>) => {
    for (const body of beginning(going.followed.state, { ...taken, faults: wanted.faults }, say)) write(body);
    want({ faults: [] });
    router.push(`/stove/${batch.id}`);
  };
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
  const doCure = ({ title, how, minutes, option }: Cure) =>
    begin({ title, how, minutes, dosed: option?.struck === null ? option : null });
  return (
    <Corrections
      fix={fix}
      common={{
        band: bandOf(going.followed.cooked.target, house.kitchen.bandLimits),
        now,
        currency: house.currency,
        owedMl: batch.plan.litres * 1000,
      }}
      chosen={chosen}
      onChoose={onChoose}
      onDo={(o) => begin({ title: o.title, how: [], minutes: 0, dosed: o })}
      onFirst={doFirst}
      onCure={doCure}
    />
  );
}

/** What is asked for, being worked out, or not to be. */
function Asking({ fix: { wanted, clash, advice, failed } }: Pick<Pot, 'fix'>) {
  const say = useSay();
  return (
    <>
      {wanted.faults.length === 0 && <p className="text-[22px]">{say('Tap what is wrong.')}</p>}
      {wanted.faults.length > 0 && !clash && advice && advice.done < advice.of && (
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
    </>
  );
}

/** That nothing of what there is mends it, once all was tried. */
function Nothing({ fix: { wanted, clash, advice, toCome } }: Pick<Pot, 'fix'>) {
  const say = useSay();
  const none =
    !clash &&
    advice?.done === advice?.of &&
    advice?.options.length === 0 &&
    advice.cures.length === 0 &&
    toCome.length === 0 &&
    wanted.faults.some((f) => DOSED.has(f));
  return none ? <p>{say('Nothing here mends it: look under “Ingredients here”.')}</p> : null;
}
