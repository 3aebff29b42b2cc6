'use client';

import type { KeepBody } from '../../core/keep/events';
import type { LotState } from '../../core/keep/lot';
import { rulesIn } from '../../core/keep/standing';
import { dateMark, dateWords, ifColdWords } from '../../core/keep/written/dates';
import type { House } from '../../core/kitchen/house';
import type { Message } from '../../core/message/message';
import { term } from '../../core/message/term';
import type { CoolingFound } from '../../workers/keeper';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';
import type { SheetName } from './sheets/Sheets';
import type { ProbeNow } from './useProbe';

type Props = {
  readonly house: House;
  readonly face: 'hot' | 'cooling' | 'shelf' | 'record';
  readonly state: LotState | null;
  readonly now: number | null;
  readonly probe: ProbeNow | null;
  readonly refused: Message | null;
  readonly found: CoolingFound | null;
  readonly onOpen: (sheet: SheetName) => void;
  readonly onWrite: (body: KeepBody) => void;
};

/** What holds of it, what may be done, and the one next action. */
export function Foot({ house, face, state, now, probe, refused, found, onOpen, onWrite }: Props) {
  const say = useSay();
  if (face === 'record') return null;
  const rule = rulesIn(house);
  const mark = state && now !== null ? dateMark(state, rule, now) : null;
  const last = state?.readings.at(-1)?.celsius ?? null;
  const cold = state?.stage === 'cooling' && last !== null && last <= rule.cold.atMost;
  const lost = state?.stage === 'cooling' && (found?.alarm === 'lost' || mark?.why === 'not within the rule');
  const fell = state?.stage === 'hot' && state.under !== null;
  const primary = !state
    ? null
    : lost
      ? { words: say('Throw it away'), act: () => onOpen('wrong') }
      : cold
        ? { words: say('Cold: put it away'), act: () => onOpen('cooled') }
        : state.stage === 'reheating' || fell
          ? { words: say('It is hot again'), act: () => onOpen('reheated') }
          : probe?.body
            ? {
                words: say('Write down {celsius}', {
                  celsius: { celsius: probe.celsius ?? 0, exact: true },
                }),
                act: () => probe.body && onWrite(probe.body),
              }
            : { words: say('Enter temperature'), act: () => onOpen('read') };
  return (
    <footer className="flex shrink-0 flex-wrap items-stretch border-ink border-t-2 bg-surface max-[1100px]:contents">
      <Holds state={state} mark={mark} refused={refused} />
      {state && <Acts face={face} state={state} probe={probe} cold={cold} onOpen={onOpen} />}
      {primary && (
        <button
          type="button"
          onClick={primary.act}
          className="min-h-20 border-ink bg-butter px-7 font-bold text-[24px] text-on-butter shrink-0 max-[1100px]:sticky max-[1100px]:bottom-0 max-[1100px]:z-40 max-[1100px]:border-t-2 min-[1100px]:border-l-2"
        >
          {primary.words}
        </button>
      )}
    </footer>
  );
}

type HoldsProps = Pick<Props, 'state' | 'refused'> & { readonly mark: ReturnType<typeof dateMark> | null };

/** By when it is used, and what is in it that somebody must not eat; or why the last tap was not taken. */
function Holds({ state, mark, refused }: HoldsProps) {
  const say = useSay();
  const condition = mark && ifColdWords(mark);
  return (
    <p
      role={refused ? 'alert' : undefined}
      className={`flex min-w-60 flex-1 flex-col justify-center bg-surface px-5 py-2 leading-tight max-[1100px]:flex-none max-[1100px]:border-ink max-[1100px]:border-t-2 ${refused ? 'font-bold text-tomato' : ''}`}
    >
      {refused ? (
        say(refused)
      ) : state && mark ? (
        <>
          <b className="text-[18px]">
            {mark.useBy
              ? condition
                ? say('Use by {day}, {condition}.', { day: dateWords(mark), condition })
                : say('Use by {day}.', { day: dateWords(mark) })
              : mark.why === 'frozen'
                ? say('Frozen: its date stands still.')
                : say('{why}.', { why: { opening: dateWords(mark) } })}
          </b>
          <span className="text-[16px] text-quiet">
            {state.put.allergens.length > 0
              ? say('{those}.', {
                  those: {
                    opening: {
                      text: '{those}',
                      values: { those: { listed: state.put.allergens.map((a) => term(a)) } },
                    },
                  },
                })
              : say('No allergen written down.')}
          </span>
        </>
      ) : null}
    </p>
  );
}

type ActsProps = Pick<Props, 'face' | 'probe' | 'onOpen'> & {
  readonly state: LotState;
  /** Read cold already. */
  readonly cold: boolean;
};

function Acts({ face, state, probe, cold, onOpen }: ActsProps) {
  const say = useSay();
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-2 bg-surface px-3 py-2">
      {(face === 'hot' || face === 'cooling') && (
        <button type="button" className={BUTTON} onClick={() => onOpen('probe')}>
          {probe ? say('{name} in it', { name: probe.name }) : say('Pair a probe')}
        </button>
      )}
      {probe && (
        <button type="button" className={BUTTON} onClick={() => onOpen('read')}>
          {say('By hand')}
        </button>
      )}
      {face === 'hot' && state.stage === 'hot' && (
        <>
          <button type="button" className={BUTTON} onClick={() => onOpen('take')}>
            {say('Ladled off')}
          </button>
          <button type="button" className={BUTTON} onClick={() => onOpen('way')}>
            {say('Cool it')}
          </button>
        </>
      )}
      {face === 'cooling' && !cold && (
        <button type="button" className={BUTTON} onClick={() => onOpen('cooled')}>
          {say('Put away')}
        </button>
      )}
      <button type="button" className={BUTTON} onClick={() => onOpen('labels')}>
        {say('Labels')}
      </button>
      {face !== 'shelf' && (
        <button type="button" className={BUTTON} onClick={() => onOpen('wrong')}>
          {say('Something’s wrong')}
        </button>
      )}
    </div>
  );
}
