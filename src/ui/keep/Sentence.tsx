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

/** What is at hand as a sentence; every underlined part opens what it can be. */
export function Sentence({ house, face, state, now, served, shelf, onOpen }: Props) {
  const say = useSay();
  const part = (sheet: SheetName, words: string, label: string) => (
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
  const what = state && say('{ml} of {name}', { ml: { ml: state.ml }, name: { within: state.put.name } });
  const box = 'min-w-0 flex-1 text-[clamp(19px,1.85vw,25px)] leading-[1.45]';
  if (face === 'record')
    return <p className={box}>{say('Every time and temperature, by whom and from which probe.')}</p>;
  if (face === 'shelf') {
    const first =
      now === null ? undefined : byDate(shelf, rulesIn(house), now).find((r) => r.mark.useBy !== null);
    return (
      <p className={box}>
        {first?.mark.useBy
          ? say.rich('Use <b>{name}</b> first, by <b>{day}</b>.', {
              b: (text) => <b>{text}</b>,
              name: first.s.put.name,
              day: say(shortDay(first.mark.useBy)),
            })
          : say('What was stored.')}{' '}
        {part('put by', say('Store something'), say('Store something'))}
      </p>
    );
  }
  if (!state) return <p className={box} />;
  if (state.stage === 'reheating')
    return (
      <p className={box}>
        {say.rich('Bring back <b>{what}</b> in <b>{pot}</b>.', {
          b: (text) => <b>{text}</b>,
          what,
          pot: containerName(house, state.container),
        })}
      </p>
    );
  if (face === 'hot')
    return (
      <p className={box}>
        {say.rich('Keep <b>{what}</b> hot in <b>{pot}</b>, {how}.', {
          b: (text) => <b>{text}</b>,
          what,
          pot: containerName(house, state.container),
          how: part(
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
    <p className={box}>
      {say.rich('Cool <b>{what}</b> in {how}.', {
        b: (text) => <b>{text}</b>,
        what,
        how: part(
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
