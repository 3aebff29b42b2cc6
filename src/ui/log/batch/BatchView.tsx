'use client';

import '../../../core/food/load';
import { useRouter } from 'next/navigation';
import { Suspense, useState } from 'react';
import type { LoggedBatch } from '../../../contract/log';
import type { Batch } from '../../../core/batch/record';
import { landedFirst } from '../../../core/log/logged';
import type { Story } from '../../../core/log/story';
import { term } from '../../../core/message/term';
import { longDay } from '../../../core/service/words/dayWords';
import { timeOfDay } from '../../../core/units/clock';
import { duration, mPas, spaced } from '../../../core/units/shown/format';
import { volumeWords } from '../../../core/units/shown/show';
import type { Teller } from '../../../workers/teller';
import { ask, problemWords } from '../../device/line/api';
import { readRole } from '../../device/useRole';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { useAsked, useWorker } from '../../shared/hooks/useWorker';
import { Link } from '../../shared/Link';
import { lazily } from '../../shared/lazily';
import { Scroll } from '../../shared/Scroll';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { WhatDiffered } from './WhatDiffered';

const StoryChart = lazily(() => import('./StoryChart').then((m) => m.default));
const begin = () => new Worker(new URL('../../../workers/teller.ts', import.meta.url), { type: 'module' });

type Props = {
  readonly first: LoggedBatch;
  readonly beside: LoggedBatch | null;
  readonly currency: string;
};

/** A batch: plan against what happened along one clock, what differed, what it came to; two of them side by side. */
export function BatchView({ first, beside, currency }: Props) {
  const say = useSay();
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const story = useStory(first.batch);
  const other = useStory(beside?.batch ?? null);
  const untilOf = (s: Story | null) =>
    Math.max(s?.planned.at(-1)?.seconds ?? 0, s?.happened.at(-1)?.seconds ?? 0);
  const until = Math.max(untilOf(story), untilOf(other), 600);
  const repeat = async () => {
    const answer = await ask('POST /api/log/[id]/recipe', {
      at: { id: first.logged.id },
      body: { by: readRole() },
    });
    if (answer.ok) router.push(`/recipes/${answer.body.id}/versions`);
    else setProblem(say(problemWords(answer.problems)));
  };
  return (
    <div className="flex h-full flex-col">
      <Scroll label={say('The batch')} className="flex-1 overflow-y-auto">
        <div className={beside ? 'grid grid-cols-1 min-[1000px]:grid-cols-2' : ''}>
          <Told of={first} story={story} until={until} currency={currency} narrow={beside !== null} />
          {beside && (
            <div className="border-ink min-[1000px]:border-l-2">
              <Told of={beside} story={other} until={until} currency={currency} narrow />
            </div>
          )}
        </div>
      </Scroll>
      <footer className="flex shrink-0 flex-wrap items-stretch gap-3 border-ink border-t-2 bg-surface px-5 py-3">
        <Link href="/log" className={BUTTON}>
          {say('All batches')}
        </Link>
        <Link href={`/log?soup=${first.logged.recipeId}`} className={BUTTON}>
          {say('All of this soup')}
        </Link>
        <p role={problem ? 'alert' : undefined} className="min-w-0 flex-1 self-center font-bold text-tomato">
          {problem}
        </p>
        {first.batch && !beside && (
          <button type="button" className={PRIMARY} onClick={() => void repeat()}>
            {say('Keep it as a version of the recipe, as it was cooked')}
          </button>
        )}
      </footer>
    </div>
  );
}

/** What a batch’s worker has worked out of it; null until then, and of one without a record. */
function useStory(batch: Batch | null): Story | null {
  const worker = useWorker<Teller, Record<string, never>>(begin);
  const asked = useAsked(worker, 'story', batch?.id ?? null, () => batch as Batch);
  return asked.pieces[0]?.story ?? null;
}

type ToldProps = {
  readonly of: LoggedBatch;
  readonly story: Story | null;
  readonly until: number;
  readonly currency: string;
  /** Half a screen wide. */
  readonly narrow: boolean;
};

const CHARTS = ['bowlViscosity', 'celsius', 'volumeMl'] as const;

/** One batch, from its sentence to its curves. */
function Told({ of: { logged: b, batch, kept }, story, until, currency, narrow }: ToldProps) {
  const say = useSay();
  const at = new Date(b.startedAt);
  return (
    <article className="px-5 py-4">
      <h1 className="font-bold text-[27px] leading-tight">{b.name}</h1>
      <p className="text-quiet">
        {b.fromNotebook
          ? say(longDay(b.day))
          : say('{day}, {time} · {pot} on {burner} · {role}', {
              day: longDay(b.day),
              time: timeOfDay(at),
              pot: b.pot,
              burner: b.burner,
              role: b.role,
            })}
      </p>
      {b.fromNotebook ? (
        <p className="pt-2 text-[21px]">{say('Out of a notebook: what was written down is all there is.')}</p>
      ) : (
        <Landed batch={b} />
      )}
      <Figures batch={b} currency={currency} />
      {kept.length > 0 && (
        <p className="pt-1">
          <Link href={`/record/${kept[0]}`} className="underline">
            {say('What was kept of it, and its record')}
          </Link>
        </p>
      )}
      {story && <WhatDiffered story={story} narrow={narrow} />}
      {batch?.plan.cooked && !story && <p className="py-4 text-quiet">{say('Working it out …')}</p>}
      {story && (
        <Suspense>
          {CHARTS.map((c) => (
            <section key={c} className="pt-3">
              <h2 className="font-bold">
                {say(
                  '{what, select, celsius {Temperature} volumeMl {What is in the pot} other {Consistency in the bowl, mPa·s}}',
                  { what: c },
                )}
              </h2>
              <StoryChart
                story={story}
                of={c}
                until={until}
                target={b.target}
                title={say(
                  '{what, select, celsius {Temperature} volumeMl {Volume} other {Consistency}} of {name}: as planned, as it went, and {n, plural, one {one reading} other {# readings}}',
                  { what: c, name: b.name, n: story.readings.filter((r) => r.what === c).length },
                )}
              />
            </section>
          ))}
          <p className="flex flex-wrap gap-x-5 pt-1 text-[15px]">
            <span>{say('dashed: planned')}</span>
            <span>{say('line: as it went')}</span>
            <span>{say('dots: read')}</span>
            <span className="text-tomato">{say('upright: something done that was not planned')}</span>
          </p>
        </Suspense>
      )}
      {b.note && <p className="pt-3 text-[19px]">{say('“{note}”', { note: b.note })}</p>}
    </article>
  );
}

/** Where it landed against what was asked for and foreseen, in one sentence. */
function Landed({ batch: b }: { readonly batch: LoggedBatch['logged'] }) {
  const say = useSay();
  const first = landedFirst(b);
  return (
    <p className="pt-2 text-[23px] leading-snug">
      <b className={b.landed !== null && b.landed !== b.band ? 'text-tomato' : ''}>
        {b.measured === null
          ? say('Not tested')
          : say('{band}, {measured} mPa·s', {
              band: term(b.landed ?? b.band),
              measured: mPas(b.measured),
            })}
      </b>
      {say(', asked for {band}, {target}', { band: term(b.band), target: mPas(b.target) })}
      {b.foreseen &&
        say('; foreseen {low} to {high}', { low: mPas(b.foreseen.low), high: mPas(b.foreseen.high) })}
      {first === true && say('. It landed the first time')}
      {first === false &&
        b.corrections.length > 0 &&
        say('. Put right: {what}', { what: b.corrections.join('; ') })}
      .
    </p>
  );
}

/** What it came to: yield, time, cost, score. */
function Figures({
  batch: b,
  currency,
}: {
  readonly batch: LoggedBatch['logged'];
  readonly currency: string;
}) {
  const say = useSay();
  const show = useShow();
  const rows = [
    [
      say('Yield'),
      b.yieldMl === null
        ? null
        : say('{ml}, asked {asked}', {
            ml: volumeWords(b.yieldMl, show),
            asked: volumeWords(b.askedMl, show),
          }),
    ],
    [
      say('Time'),
      b.tookSeconds === null
        ? null
        : say('{took}, planned {planned}', {
            took: duration(b.tookSeconds),
            planned: duration(b.plannedSeconds),
          }),
    ],
    [
      say('Cost'),
      b.cost === null
        ? null
        : say(
            '{cost}{unpriced, plural, =0 {} one {, one thing without a price} other {, # things without a price}}',
            {
              cost: `${currency}${spaced(b.cost, 2)}`,
              unpriced: b.unpriced,
            },
          ),
    ],
    [say('Score'), b.score === null ? null : say('{score} of 5', { score: b.score })],
  ] as const;
  return (
    <dl className="flex flex-wrap gap-x-8 gap-y-1 pt-2">
      {rows.map(([what, says]) =>
        says === null ? null : (
          <div key={what} className="flex gap-2">
            <dt className="text-quiet">{what}</dt>
            <dd className="figures font-bold">{says}</dd>
          </div>
        ),
      )}
    </dl>
  );
}
