'use client';

import { FileUp } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { LogOpened } from '../../contract/log';
import type { BandLimits } from '../../core/flow/bands';
import { shortDay } from '../../core/service/words/dayWords';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { BUTTON, PRIMARY } from '../shared/styles';
import { BatchList } from './BatchList';
import { LogFaces } from './LogFaces';
import { LogSearch, type SoupNamed } from './LogSearch';
import { NotebookSheet } from './NotebookSheet';
import { Noticing } from './Noticing';
import { Strip } from './Strip';
import { useLog } from './useLog';

type Props = {
  readonly first: LogOpened;
  readonly limits: BandLimits;
  readonly soups: readonly SoupNamed[];
  readonly names: Readonly<Record<string, string>>;
  readonly query: { readonly find: string; readonly soup: string; readonly landed: string };
};

/** All batches: a strip of the newest on the ladder, and the list under it. */
export function LogView({ first, limits, soups, names, query }: Props) {
  const say = useSay();
  const log = useLog(first, query);
  const router = useRouter();
  const [notebook, setNotebook] = useState(false);
  const [picked, setPicked] = useState<string | null>(null);
  const [beside, setBeside] = useState<string | null>(null);
  const here = log.batches.find((b) => b.id === picked) ?? log.batches[0] ?? null;
  return (
    <div className="flex h-full flex-col">
      <header className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="font-bold text-[27px]">{say('Log')}</h1>
          <LogFaces here="batches" />
        </div>
        <Front first={first} shown={log.batches.slice(0, 50)} />
        <Noticing noticed={first.noticed} names={names} />
      </header>
      <div className="min-h-0 flex-1 overflow-y-auto">
        {log.batches.length > 0 && (
          <Strip
            batches={log.batches.filter((b) => b.target > 0).slice(0, 50)}
            limits={limits}
            picked={here?.id ?? null}
            onPick={setPicked}
          />
        )}
        <div className="flex flex-wrap items-start gap-3 px-5 pt-3 pb-2">
          <LogSearch log={log} soups={soups} />
          <button type="button" className={BUTTON} onClick={() => setNotebook(true)}>
            <FileUp size={22} aria-hidden /> {say('From a notebook')}
          </button>
        </div>
        <BatchList log={log} picked={here?.id ?? null} onPick={setPicked} />
        {log.batches.length > 0 && <WholeLog />}
      </div>
      {notebook && (
        <NotebookSheet
          onClose={() => setNotebook(false)}
          onTaken={() => {
            log.look({});
            router.refresh();
          }}
        />
      )}
      {here && (
        <footer className="flex shrink-0 flex-wrap items-stretch gap-3 border-ink border-t-2 bg-surface px-5 py-3">
          <p className="min-w-0 flex-1 self-center text-quiet max-[720px]:hidden">
            {beside && beside !== here.id
              ? say('Two picked: open them side by side.')
              : say('Tap a batch, in the strip or in the list.')}
          </p>
          {beside && beside !== here.id ? (
            <Link href={`/log/${here.id}?beside=${beside}`} className={BUTTON}>
              {say('Side by side')}
            </Link>
          ) : (
            <button type="button" className={BUTTON} onClick={() => setBeside(here.id)}>
              {say('Compare with …')}
            </button>
          )}
          <Link href={`/log/${here.id}`} className={PRIMARY}>
            {say('Open {day}, {name}', {
              day: shortDay(here.day),
              name: here.name,
            })}
          </Link>
        </footer>
      )}
    </div>
  );
}

/** How it went, in one sentence: landed, put right, and how well it was foreseen, with and without what was learned. */
function Front({ first, shown }: { first: LogOpened; shown: LogOpened['batches'] }) {
  const say = useSay();
  const { viscosity } = first.calibration;
  const measured = shown.filter((b) => b.landed !== null);
  const right = shown.filter((b) => b.corrections.length > 0);
  if (shown.length === 0)
    return (
      <p className="mt-2 text-[21px]">
        {first.left > 0
          ? say('{left} batches are being read: they come up here one after another.', { left: first.left })
          : say(
              'No batch was finished yet. Start one on the stove: what it came to stands here, and teaches the next.',
            )}
      </p>
    );
  return (
    <p className="mt-2 text-[21px] leading-snug">
      <b>{say('{n, plural, one {The last batch} other {The last # batches}}', { n: shown.length })}</b>
      {say(': {landed} of {measured} measured landed in their band, {right} were put right.', {
        landed: measured.filter((b) => b.landed === b.band).length,
        measured: measured.length,
        right: right.length,
      })}{' '}
      {viscosity.n > 0 && (
        <span className="text-quiet">
          {say(
            'Of brackets meant to hold 8 in 10, {held} of {n} did; off by {error} % as a rule, {unlearned} % without what this house knows.',
            {
              held: viscosity.held,
              n: viscosity.n,
              error: Math.round(Math.expm1(viscosity.error) * 100),
              unlearned: Math.round(Math.expm1(viscosity.errorUnlearned) * 100),
            },
          )}
        </span>
      )}
      {first.left > 0 && (
        <span className="text-quiet"> {say('{left} more are being read.', { left: first.left })}</span>
      )}
    </p>
  );
}

/** The log as a file. */
function WholeLog() {
  const say = useSay();
  return (
    <p className="flex flex-wrap items-center gap-3 px-5 pb-4">
      <span className="text-quiet">{say('The whole log:')}</span>
      <a href="/api/log/file?as=csv" className={BUTTON}>
        {say('CSV')}
      </a>
      <a href="/api/log/file?as=json" className={BUTTON}>
        {say('JSON')}
      </a>
    </p>
  );
}
