'use client';

import type { Finished } from '../../core/compare/beside/finished';
import { message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { amountWords } from '../../core/words/steps';
import { finishName } from '../order/finishWords';
import { type Say, useSay } from '../shared/hooks/useSay';
import { PickTable } from './PickTable';

const BOILS = {
  poured: message('no'),
  boils: message('yes'),
  ladled: message('never'),
  melted: message('never'),
} as const;

const COLUMNS: readonly {
  readonly words: ReturnType<typeof message>;
  readonly of: (f: Finished, currency: string, say: Say) => string;
}[] = [
  {
    words: message('Thickener with it'),
    of: ({ thickener: t }, _currency, say) =>
      t
        ? say('{grams} ({more, select, less {−} other {+}}{by})', {
            grams: { g: t.g },
            more: t.more < 0 ? 'less' : 'more',
            by: { g: Math.abs(t.more) },
          })
        : '–',
  },
  { words: message('Fat, %'), of: (f) => f.fatPercent.toFixed(1) },
  { words: message('Salt, %'), of: (f) => f.saltPercent.toFixed(2) },
  {
    words: message('Cost'),
    of: (f, currency, say) => (f.cost === null ? say('no price') : `${currency}${f.cost.toFixed(2)}`),
  },
  { words: message('May boil'), of: (f, _currency, say) => say(BOILS[f.finish.goesIn]) },
  {
    words: message('Splits'),
    of: (f, _currency, say) => (f.risk ? say(term(f.risk.grade)) : say('cannot')),
  },
  { words: message('Holds'), of: (f, _currency, say) => say(term(f.finish.holding)) },
  { words: message('Freezes'), of: (f, _currency, say) => say(term(f.finish.freezing)) },
  { words: message('Goes in'), of: (f, _currency, say) => say(f.how) },
];

type Props = {
  readonly all: readonly Finished[];
  readonly done: boolean;
  readonly picked: string | undefined;
  readonly currency: string;
  readonly onPick: (one: Finished) => void;
};

/** Every finish for one pot as a table: what is poured, what that asks of the thickener, and how it fares. */
export function FinishTable({ all, done, picked, currency, onPick }: Props) {
  const say = useSay();
  return (
    <PickTable
      label={say('Every finish')}
      heads={[say('Finish'), say('Pour or weigh'), ...COLUMNS.map((c) => say(c.words))]}
      nameWidth="w-52"
      status={done ? null : say('Simulating each …')}
      rows={all.map((f) => ({
        id: f.finish.id,
        name: say('{name}', { name: { opening: finishName(f.finish) } }),
        fit: f.fit,
        on: f.finish.id === picked,
        onPick: () => onPick(f),
        cells: (
          <>
            <td className="px-1.5 leading-tight">
              {f.doses.map((d) => (
                <b key={d.ingredient} className="figures block whitespace-nowrap text-[20px]">
                  {amountWords(d.ingredient, d.g, say.reader)}
                </b>
              ))}
            </td>
            {COLUMNS.map((c, n) => (
              <td
                key={c.words.text}
                className={`px-1.5 leading-tight ${n === COLUMNS.length - 1 ? 'min-w-52 text-[15px]' : 'whitespace-nowrap'}`}
              >
                {c.of(f, currency, say)}
              </td>
            ))}
          </>
        ),
      }))}
    />
  );
}
