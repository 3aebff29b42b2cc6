'use client';

import { clsx } from 'clsx';
import { useState } from 'react';
import type { Band } from '../../../core/flow/bands';
import { term } from '../../../core/message/term';
import { mPas } from '../../../core/units/shown/format';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import type { Thoughts } from '../usePlan';

type Props = {
  readonly band: Band;
  /** By first-order propagation, until the samples are in. */
  readonly chance: number;
  readonly thoughts: Thoughts;
  readonly stale: boolean;
};

const inTen = (share: number): string => String(Math.round(share * 10));
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** How many batches in ten land in the band, by cooking it some hundred times in thought; why, and what would raise it. */
export function Chance({ band, chance, thoughts, stale }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const { sampled, progress } = thoughts;
  const share = sampled ? sampled.spread.chance[band] : chance;
  const trigger = (
    <span className="relative flex flex-col items-start">
      {say('Chance of {band}: {n} in 10', { n: inTen(share), band: term(band) })}
      <span aria-hidden className="mt-0.5 block h-1 w-full bg-rule">
        <span className="block h-1 bg-ink" style={{ width: percent(stale ? 0 : progress) }} />
      </span>
    </span>
  );
  return (
    <Sheet
      open={open}
      onOpenChange={setOpen}
      title={say('Chance of {band}: {n} in 10', { n: inTen(share), band: term(band) })}
      trigger={trigger}
      triggerClass={clsx(
        'flex h-14 items-center rounded-sm border-2 border-ink px-4 font-bold',
        stale && 'opacity-60',
      )}
    >
      <div className="grid gap-4 p-4">
        {sampled ? (
          <p>
            {say.rich(
              'Of {samples} simulated pots, each with its own flour, potato and fire, <b>{percent}</b> came out {band}; the middle eight in ten from <b>{low}</b> to <b>{high}</b> mPa·s.',
              {
                b: (text) => <b>{text}</b>,
                samples: sampled.spread.samples,
                percent: percent(share),
                band: term(band),
                low: mPas(sampled.spread.interval[0]),
                high: mPas(sampled.spread.interval[1]),
              },
            )}
          </p>
        ) : (
          <p role="status">{say('Simulating it, {percent} done …', { percent: percent(progress) })}</p>
        )}
        <section>
          <h3 className="font-bold">{say('What it depends on')}</h3>
          <ul className="mt-1">
            {(sampled?.spread.contributions ?? thoughts.doubt.contributions)
              .filter((c) => c.share >= 0.01)
              .slice(0, 5)
              .map((c) => (
                <li key={c.factor} className="flex items-center gap-3 py-1">
                  <span className="w-60 shrink-0">{say(term(c.words))}</span>
                  <span aria-hidden className="h-3 bg-ink" style={{ width: `${c.share * 30}%` }} />
                  <span className="figures">{percent(c.share)}</span>
                </li>
              ))}
          </ul>
        </section>
        {sampled && <Raises sampled={sampled} share={share} />}
      </div>
    </Sheet>
  );
}

type RaisesProps = { readonly sampled: NonNullable<Thoughts['sampled']>; readonly share: number };

/** What would make it surer, the most first. */
function Raises({ sampled, share }: RaisesProps) {
  const say = useSay();
  return (
    <section>
      <h3 className="font-bold">{say('What would raise it most')}</h3>
      {sampled.raises.length > 0 ? (
        <ol className="mt-1">
          {sampled.raises.map((r) => (
            <li key={r.id} className="flex items-start gap-3 border-rule border-b py-2 last:border-b-0">
              <span className="flex-1">
                {say.rich('<b>{action}.</b> {why}', {
                  b: (text) => <b>{text}</b>,
                  action: r.do,
                  why: r.why,
                })}
              </span>
              <span className="figures shrink-0 font-bold">
                {percent(share)} → {percent(Math.max(share, r.chance))}
              </span>
            </li>
          ))}
        </ol>
      ) : (
        <p className="mt-1">{say('Nothing much: it is as sure as it gets.')}</p>
      )}
    </section>
  );
}
