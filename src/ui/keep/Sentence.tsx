'use client';

import type { LotState } from '../../core/keep/lot';
import { rulesIn } from '../../core/keep/standing';
import type { House } from '../../core/kitchen/house';
import { shortDay } from '../../core/service/words/dayWords';
import { PART } from '../shared/form/Choice';
import { useSay } from '../shared/hooks/useSay';
import { containerName, placeName } from './keepWords';
import type { SheetName } from './sheets/Sheets';
import { byDate } from './shelf/ShelfFace';

type Props = {
  readonly house: House;
  readonly face: 'hot' | 'cooling' | 'shelf' | 'record';
  readonly state: LotState | null;
  readonly now: number | null;
  readonly served: number;
  readonly shelf: readonly LotState[];
  readonly onOpen: (sheet: SheetName) => void;
};

const BOX = 'min-w-0 flex-1 text-[clamp(19px,1.85vw,25px)] leading-[1.45]';

/** A part of the sentence: it opens what it can be. */
const part = (onOpen: Props['onOpen'], sheet: SheetName, words: string, label: string) => (
  <button
    type="button"
    aria-haspopup="dialog"
    aria-label={`${label}: ${words}`}
    onClick={() => onOpen(sheet)}
    className={`${PART} text-left`}
  >
    {words}
  </button>
);

/** What is at hand as a sentence; every underlined part opens what it can be. */
export function Sentence({ house, face, state, now, served, shelf, onOpen }: Props) {
  const say = useSay();
  const what = state && say('{ml} of {name}', { ml: { ml: state.ml }, name: { within: state.put.name } });
  if (face === 'record')
    return <p className={BOX}>{say('Every time and temperature, by whom and from which probe.')}</p>;
  if (face === 'shelf') return <UseFirst house={house} shelf={shelf} now={now} onOpen={onOpen} />;
  if (!state) return <p className={BOX} />;
  if (state.stage === 'reheating')
    return (
      <p className={BOX}>
        {say.rich('Bring back <b>{what}</b> in <b>{pot}</b>.', {
          b: (text) => <b>{text}</b>,
          what,
          pot: containerName(house, state.container),
        })}
      </p>
    );
  if (face === 'hot')
    return (
      <p className={BOX}>
        {say.rich('Keep <b>{what}</b> hot in <b>{pot}</b>, {how}.', {
          b: (text) => <b>{text}</b>,
          what,
          pot: containerName(house, state.container),
          how: part(
            onOpen,
            'hot',
            say('{place}, {lid, select, yes {lid on} other {open}}, {served} an hour ladled off', {
              place: placeName(house, state.place),
              lid: state.lid ? 'yes' : 'no',
              served: { ml: served },
            }),
            say('How it is kept hot'),
          ),
        })}
      </p>
    );
  const way = state.way;
  return (
    <p className={BOX}>
      {say.rich('Cool <b>{what}</b> in {how}.', {
        b: (text) => <b>{text}</b>,
        what,
        how: part(
          onOpen,
          'way',
          say(
            '{container}, {place}, {lid, select, yes {covered} other {open}}{stir, select, no {} other {, stirred every {stir} min}}',
            {
              container: containerName(house, state.container),
              place: placeName(house, state.place),
              lid: state.lid ? 'yes' : 'no',
              stir: way?.stirEvery ? String(way.stirEvery) : 'no',
            },
          ),
          say('How it is cooled'),
        ),
      })}
    </p>
  );
}

/** What on the shelf goes first. */
function UseFirst({ house, shelf, now, onOpen }: Pick<Props, 'house' | 'shelf' | 'now' | 'onOpen'>) {
  const say = useSay();
  const first =
    now === null ? undefined : byDate(shelf, rulesIn(house), now).find((r) => r.mark.useBy !== null);
  return (
    <p className={BOX}>
      {first?.mark.useBy
        ? say.rich('Use <b>{name}</b> first, by <b>{day}</b>.', {
            b: (text) => <b>{text}</b>,
            name: first.s.put.name,
            day: say(shortDay(first.mark.useBy)),
          })
        : say('What was stored.')}{' '}
      {part(onOpen, 'put by', say('Store something'), say('Store something'))}
    </p>
  );
}
