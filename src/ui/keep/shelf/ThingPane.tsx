'use client';

import { clsx } from 'clsx';
import { ArrowRightLeft, Flame, Minus, Plus, Snowflake, Trash2 } from 'lucide-react';
import type { Lot, LotState } from '../../../core/keep/lot';
import { rulesIn } from '../../../core/keep/standing';
import { dateMark, dateWords } from '../../../core/keep/written/dates';
import type { House } from '../../../core/kitchen/house';
import { term } from '../../../core/message/term';
import type { RuleSet } from '../../../core/safety/rules';
import { dayAndTime } from '../../../core/units/clock';
import type { ColdFound } from '../../../workers/keeper';
import { useSay } from '../../shared/hooks/useSay';
import { useAsked } from '../../shared/hooks/useWorker';
import { BUTTON } from '../../shared/styles';
import { COOKED, spell } from '../keepWords';
import { type KeeperHere, keptKey } from '../useKeeper';
import { useLeft } from './ShelfFace';

type ShelfAct = 'take' | 'move' | 'freeze' | 'thaw' | 'reheat' | 'top up' | 'wrong' | 'labels' | 'read';

type Props = {
  readonly house: House;
  readonly lot: Lot;
  readonly state: LotState;
  readonly now: number;
  readonly working: KeeperHere;
  readonly onAct: (act: ShelfAct) => void;
};

/** One thing on the shelf: its mark, what freezing would do to it, and what may be done with it. */
export function ThingPane({ house, lot, state, now, working, onAct }: Props) {
  const say = useSay();
  const rule = rulesIn(house);
  const { keeper, known } = working;
  const { question, pieces } = useAsked(keeper, 'cold', keptKey(lot, known, 0), () => ({ lot, now }));
  const found = question?.lot.id === lot.id ? pieces[0] : undefined;
  const frozen = state.stage === 'frozen';
  const act = (what: ShelfAct, words: string, icon: React.ReactNode) => (
    <button type="button" className={`${BUTTON} justify-start text-left`} onClick={() => onAct(what)}>
      {icon} {words}
    </button>
  );
  return (
    <section
      aria-label={state.put.name}
      className="flex min-h-0 flex-col border-ink max-[1100px]:border-t-2 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
    >
      <Mark state={state} now={now} rule={rule} />
      <div className="grid grid-cols-2 gap-2 px-5 py-3">
        {act('take', say('Take some'), <Minus size={22} aria-hidden />)}
        {act('move', say('Move it'), <ArrowRightLeft size={22} aria-hidden />)}
        {frozen
          ? act('thaw', say('Thaw it'), <Snowflake size={22} aria-hidden />)
          : act('freeze', say('Freeze it'), <Snowflake size={22} aria-hidden />)}
        {act('reheat', say('Reheat it'), <Flame size={22} aria-hidden />)}
        {act('top up', say('Top it up'), <Plus size={22} aria-hidden />)}
        {act('wrong', say('Throw away'), <Trash2 size={22} aria-hidden />)}
      </div>
      {found && <Frozen found={found} frozen={frozen} />}
      <p className="px-5 py-3 text-[14px] text-quiet">
        {say(
          '{days} days, the day of making the first: {name} {of}, {source}, from memory; the local code decides.',
          {
            days: rule.keep.days,
            name: rule.name,
            of: rule.of,
            source: rule.keep.source,
          },
        )}
      </p>
    </section>
  );
}

type MarkProps = Pick<Props, 'state' | 'now'> & { readonly rule: RuleSet };

/** Its name, its last day, and what is in it that somebody must not eat. */
function Mark({ state, now, rule }: MarkProps) {
  const say = useSay();
  const left = useLeft();
  const mark = dateMark(state, rule, now);
  return (
    <div className="border-ink border-b-2 bg-surface px-5 py-3">
      <h2 className="font-bold text-[20px] leading-tight">{state.put.name}</h2>
      <p
        className={clsx(
          'font-bold leading-tight',
          mark.useBy ? 'figures text-[36px]' : 'text-[26px]',
          mark.why && mark.why !== 'frozen' && 'text-tomato',
        )}
      >
        {say(dateWords(mark))}
      </p>
      <p className="text-[16px]">
        {say('{left}; made {made}, day {used} of {days}', {
          left: left(mark),
          made: dayAndTime(new Date(state.put.madeAt)),
          used: mark.used,
          days: rule.keep.days,
        })}
      </p>
      {!state.wasHot && COOKED.has(state.put.what) && (
        <p className="text-[15px] text-quiet">{say('How it cooled is not on this record.')}</p>
      )}
      {state.put.allergens.length > 0 && (
        <p className="mt-1 text-[16px]">
          {say.rich('Holds <b>{those}</b>', {
            b: (text) => <b>{text}</b>,
            those: {
              loud: {
                text: '{those}',
                values: { those: { listed: state.put.allergens.map((a) => term(a)) } },
              },
            },
          })}
        </p>
      )}
    </div>
  );
}

type FrozenProps = {
  readonly found: ColdFound;
  readonly frozen: boolean;
};

/** What freezing does, or has done, to it. */
function Frozen({ found, frozen }: FrozenProps) {
  const say = useSay();
  return (
    <div className="border-rule border-t px-5 py-3">
      <h3 className="font-bold">
        {frozen
          ? say('When it thaws')
          : Number.isFinite(found.freeze)
            ? say('If it is frozen: frozen right through in {time}', { time: spell(found.freeze) })
            : say('If it is frozen')}
      </h3>
      <ul className="mt-1 grid gap-1.5">
        {found.effects.map((e) => (
          <li key={e.what.text} className="text-[16px] leading-tight">
            <b className={e.grade === 'spoils' ? 'text-tomato' : e.grade === 'fine' ? 'text-chive' : ''}>
              {say(e.what)}
            </b>
            {e.mend && <span className="block">{say('{mend}.', { mend: { opening: e.mend } })}</span>}
          </li>
        ))}
      </ul>
      {Number.isFinite(found.thaw) && (
        <p className="mt-1.5 text-[15px] text-quiet">
          {say('Thawed in the fridge in about {time}, by Plank’s equation.', { time: spell(found.thaw) })}
        </p>
      )}
    </div>
  );
}
