'use client';

import { clsx } from 'clsx';
import { TriangleAlert, Wand2 } from 'lucide-react';
import type { Message } from '../../core/message/message';
import type { Arranging, Outcome } from '../../core/service/arrange/arrange';
import { leastFirst } from '../../core/service/arrange/relief';
import type { Clash } from '../../core/service/board';
import { clashWords, mendWords, type Named, reliefWords } from '../../core/service/words/serviceWords';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';
import type { BoardHere } from './useBoard';

/** How it stands while it is arranged. */
function stateWords(state: Arranging, say: ReturnType<typeof useSay>): string {
  switch (state.at) {
    case 'tables':
      return state.of > 0
        ? say('Working out how long each takes where it might stand, {done} of {of} …', {
            done: state.done,
            of: state.of,
          })
        : say('Working out how long each takes …');
    case 'held':
      return state.held === null
        ? say('Looking for one that can be done …')
        : say('Least held hot: {held} min so far, {bound} at best …', {
            held: state.held,
            bound: state.bound,
          });
    case 'hands':
      return say('With fewer hands …');
    case 'flame':
      return say('With the latest flames …');
  }
}

/** How good what was found is. */
function outcomeWords(
  outcome: Extract<Outcome, { kind: 'arranged' }>,
  say: ReturnType<typeof useSay>,
): string {
  const { held, heldBound, hands, proven } = outcome.arranged;
  const found = say(
    'Nothing late, {held, plural, =0 {nothing held hot} other {# min held hot in all}}, {hands, plural, one {one pair of hands} other {# pairs of hands}} at most.',
    { held, hands },
  );
  const best = proven
    ? say('Proven the best there is.')
    : held > heldBound
      ? say('Held hot, {less} min less may be possible.', { less: held - heldBound })
      : say('Held hot, it cannot be less.');
  return `${found} ${best}`;
}

type Props = {
  readonly here: BoardHere;
  readonly named: Named;
  /** Why the last change or start was not taken; and the pot that is in use, where that is why. */
  readonly refused: Message | null;
  readonly inUse: string | null;
  readonly onAnyway: () => void;
  readonly primary: { readonly words: string; readonly act: () => void; readonly off?: boolean } | null;
};

/** What clashes with what would mend it, what cannot be and why, and the one next action. */
export function Foot(props: Props) {
  const { here, primary } = props;
  const say = useSay();
  return (
    <footer className="flex min-h-22 shrink-0 items-stretch border-ink border-t-2 bg-surface max-[1100px]:sticky max-[1100px]:bottom-0 max-[1100px]:z-40 max-[900px]:contents">
      <div
        className="flex min-w-0 flex-1 flex-wrap items-center gap-x-3 gap-y-1.5 border-ink bg-surface px-5 py-2 leading-tight max-[900px]:flex-none max-[900px]:border-t-2"
        aria-live="polite"
      >
        <Stands {...props} />
      </div>
      <div
        className={clsx(
          'flex shrink-0 items-center gap-3 bg-surface p-2',
          primary?.act === here.arrange && 'hidden',
        )}
      >
        <button
          type="button"
          className={BUTTON}
          onClick={here.arrange}
          disabled={here.scheduler.arranging !== null || !here.ready}
        >
          <Wand2 size={22} aria-hidden /> {say('Arrange')}
        </button>
      </div>
      {primary && (
        <button
          type="button"
          onClick={primary.act}
          aria-disabled={primary.off}
          className="min-h-20 shrink-0 border-ink bg-butter px-7 font-bold text-[22px] text-on-butter max-[900px]:sticky max-[900px]:bottom-0 max-[900px]:z-40 max-[900px]:border-t-2 min-[900px]:max-w-80 min-[900px]:border-l-2"
        >
          {primary.words}
        </button>
      )}
    </footer>
  );
}

/** How the board stands: refused, being arranged, not to be done, clashing, arranged, or as it should. */
function Stands({ here, named, refused, inUse, onAnyway }: Omit<Props, 'primary'>) {
  const say = useSay();
  const { clash, ready, outcome, scheduler } = here;
  const { arranging } = scheduler;
  return refused ? (
    <>
      <p role="alert" className="flex min-w-0 flex-1 basis-64 items-center gap-2 font-bold text-tomato">
        <TriangleAlert className="shrink-0" aria-hidden /> {say(refused)}
      </p>
      {inUse && (
        <button type="button" className={BUTTON} onClick={onAnyway}>
          {say('Start all the same')}
        </button>
      )}
    </>
  ) : arranging ? (
    <>
      <p className="min-w-0 flex-1 basis-64" role="status">
        {stateWords(arranging, say)}
      </p>
      <button type="button" className={BUTTON} onClick={scheduler.stop}>
        {say('Stop')}
      </button>
    </>
  ) : outcome?.kind === 'cannot' ? (
    <Cannot here={here} named={named} outcome={outcome} />
  ) : clash && ready ? (
    <Clashing here={here} clash={clash} named={named} />
  ) : outcome?.kind === 'arranged' ? (
    <p className="min-w-0 flex-1 basis-64">{outcomeWords(outcome, say)}</p>
  ) : (
    <p className="min-w-0 flex-1 basis-64 text-quiet">
      {ready ? say('Nothing clashes.') : say('Working out how long each takes …')}
    </p>
  );
}

type ClashProps = Pick<Props, 'here' | 'named'> & { readonly clash: Clash };

/** What clashes, how many more do, and what would mend it. */
function Clashing({ here, clash, named }: ClashProps) {
  const say = useSay();
  const more = here.board.clashes.length - 1;
  return (
    <>
      <p className="flex min-w-0 flex-1 basis-64 items-center gap-2 font-bold text-tomato">
        <TriangleAlert className="shrink-0" aria-hidden />
        <span>{say('{clash}.', { clash: clashWords(clash, named) })}</span>
      </p>
      {more > 0 && (
        <button type="button" className="min-h-12 px-1 underline" onClick={here.nextClash}>
          {say('{more, plural, one {One more clash} other {# more clashes}}', { more })}
        </button>
      )}
      {here.mends.map((m) => (
        <button
          key={`${m.key} ${m.sooner} ${m.burner} ${m.pot}`}
          type="button"
          className={`${BUTTON} text-[16px]`}
          onClick={() => here.onService(m.service)}
        >
          {say(mendWords(m, named))}
        </button>
      ))}
    </>
  );
}

/** What cannot be done, and the smallest things that would each make it possible. */
function Cannot({
  here,
  named,
  outcome,
}: Pick<Props, 'here' | 'named'> & { readonly outcome: Extract<Outcome, { kind: 'cannot' }> }) {
  const say = useSay();
  const { reliefs, asking } = here.scheduler;
  return (
    <div className="min-w-0 flex-1">
      <p className="flex items-center gap-2 font-bold text-tomato">
        <TriangleAlert className="shrink-0" aria-hidden />
        {outcome.nowhere.length > 0
          ? say('{soups} can be cooked on no burner and in no pot here.', {
              soups: { and: outcome.nowhere.map((b) => named.soup(b.key)) },
            })
          : outcome.proven
            ? say('This cannot be done as it is. Each of these would make it possible by itself:')
            : say('No way was found in the time there was. Each of these would do by itself:')}
      </p>
      <ul className="mt-1.5 flex max-h-28 flex-wrap gap-2 overflow-y-auto">
        {leastFirst(reliefs).map((r) => {
          const words = say('{relief}', { relief: { opening: reliefWords(r, named) } });
          const { service } = r;
          return (
            <li key={words}>
              {service ? (
                <button
                  type="button"
                  className="min-h-12 rounded-sm border-2 border-ink bg-surface px-3 font-bold text-[16px] hover:bg-butter/25"
                  onClick={() => here.onService(service)}
                >
                  {words}
                </button>
              ) : (
                <span className="inline-flex min-h-12 items-center rounded-sm border-2 border-quiet border-dashed px-3 font-bold text-[16px]">
                  {words}
                </span>
              )}
            </li>
          );
        })}
        {asking && <li className="self-center text-quiet">{say('Trying what else would help …')}</li>}
        {!asking && reliefs.length === 0 && (
          <li>{say('No single thing does: take a soup off, or move several times.')}</li>
        )}
      </ul>
    </div>
  );
}
