'use client';

import { Suspense, useState } from 'react';
import type { Board } from '../../core/service/board';
import { clockOf, type Service } from '../../core/service/service';
import { shortDay } from '../../core/service/words/dayWords';
import type { Shelf } from '../order/stores';
import type { OnShelf } from '../order/useShelf';
import { PART } from '../shared/form/Choice';
import { useSay } from '../shared/hooks/useSay';
import { lazily } from '../shared/lazily';

/** Loaded when first asked for. */
const SoupsSheet = lazily(async () => (await import('./sheets/SoupsSheet')).SoupsSheet);
const HouseSheet = lazily(async () => (await import('./sheets/HouseSheet')).HouseSheet);
const DaySheet = lazily(async () => (await import('./sheets/DaySheet')).DaySheet);

export type ServiceSheet = 'day' | 'soups' | 'house';

type Props = {
  readonly service: Service;
  readonly stores: Shelf;
  readonly choose: OnShelf['choose'];
  readonly refused: OnShelf['refused'];
  readonly board: Board;
  /** Timetables are all there. */
  readonly ready: boolean;
  readonly onChange: (next: Service) => void;
};

/** The service as a sentence; every underlined part opens what it can be. */
export function Sentence({ service, stores, choose, refused, board, ready, onChange }: Props) {
  const say = useSay();
  const [open, setOpen] = useState<ServiceSheet | null>(null);
  const times = [...new Set(service.soups.flatMap((s) => s.draws.map((d) => d.at)))].sort((a, b) => a - b);
  const part = (sheet: ServiceSheet, words: string, label: string) => (
    <button
      type="button"
      aria-haspopup="dialog"
      aria-label={`${label}: ${words}`}
      onClick={() => setOpen(sheet)}
      className={`${PART} text-left`}
    >
      {words}
    </button>
  );
  const close = () => setOpen(null);
  return (
    <>
      <p className="text-[clamp(20px,2.05vw,27px)] leading-[1.5]">
        {say.rich(
          service.covers === null
            ? '{day}: {soups}, on the pass at {times}, with {hands}.'
            : '{day}: {soups} for {covers}, on the pass at {times}, with {hands}.',
          {
            day: part('day', `${service.name}, ${say(shortDay(service.day))}`, say('Which service')),
            soups: part(
              'soups',
              say('{count, plural, =0 {no soup yet} one {one soup} other {# soups}}', {
                count: service.soups.length,
              }),
              say('Soups'),
            ),
            covers: part('soups', say('{count} covers', { count: service.covers ?? 0 }), say('Covers')),
            times: part(
              'soups',
              times.length > 0 ? say('{times}', { times: { and: times.map(clockOf) } }) : say('no time yet'),
              say('On the pass at'),
            ),
            hands: part(
              'house',
              say('{hands, plural, one {one pair of hands} other {# pairs of hands}}', {
                hands: service.hands,
              }),
              say('Hands and tools'),
            ),
          },
        )}{' '}
        <span className="text-quiet">
          {board.firstFlame !== null && ready
            ? say('First flame {at}, {held, plural, =0 {nothing held hot} other {# min held hot at most}}.', {
                at: clockOf(board.firstFlame),
                held: Math.round(board.mostHeld),
              })
            : service.soups.length > 0
              ? say('Working out how long each takes …')
              : ''}
        </span>
      </p>
      <Suspense>
        {open === 'soups' && (
          <SoupsSheet
            service={service}
            stores={stores}
            choose={choose}
            refused={refused}
            onChange={onChange}
            onClose={close}
          />
        )}
        {open === 'house' && <HouseSheet service={service} onChange={onChange} onClose={close} />}
        {open === 'day' && <DaySheet service={service} onChange={onChange} onClose={close} />}
      </Suspense>
    </>
  );
}
