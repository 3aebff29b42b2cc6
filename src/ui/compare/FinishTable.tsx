'use client';

import type { Finished } from '../../core/compare/finished';
import { message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { spaced } from '../../core/units/format';
import { amountWords } from '../../core/words/steps';
import { finishName } from '../order/finishWords';
import { Grade } from '../shared/Grade';
import { Scroll } from '../shared/Scroll';
import { type Say, useSay } from '../shared/useSay';

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
        ? say('{grams} g ({more, select, less {−} other {+}}{by})', {
            grams: spaced(t.g),
            more: t.more < 0 ? 'less' : 'more',
            by: spaced(Math.abs(t.more)),
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
    <Scroll label={say('Every finish')} className="flex-1 overflow-auto max-[1100px]:min-h-96">
      <table className="w-full border-collapse text-left">
        <thead className="sticky top-0 z-20 bg-ground">
          <tr>
            <th scope="col" className="sticky left-0 z-10 bg-ground px-4 py-2 font-normal text-quiet">
              {say('Finish')}
            </th>
            <th scope="col" className="px-1.5 py-2 font-normal text-quiet">
              {say('Pour or weigh')}
            </th>
            {COLUMNS.map((c) => (
              <th
                key={c.words.text}
                scope="col"
                className="whitespace-nowrap px-1.5 py-2 font-normal text-quiet"
              >
                {say(c.words)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {all.map((f) => {
            const on = f.finish.id === picked;
            return (
              <tr
                key={f.finish.id}
                className={`border-rule border-t ${on ? 'bg-butter text-on-butter' : ''}`}
              >
                <th
                  scope="row"
                  className={`sticky left-0 z-10 border-ink border-r-2 p-0 font-bold ${on ? 'bg-butter' : 'bg-ground'}`}
                >
                  <button
                    type="button"
                    aria-pressed={on}
                    onClick={() => onPick(f)}
                    className="block min-h-14 w-52 py-1 pr-2 pl-4 text-left leading-tight max-[720px]:w-36 max-[720px]:pl-2"
                  >
                    {say('{name}', { name: { opening: finishName(f.finish) } })}
                    <span className="block text-[15px]">
                      <Grade fit={f.fit} plain={on} />
                    </span>
                  </button>
                </th>
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
              </tr>
            );
          })}
        </tbody>
      </table>
      {!done && (
        <p role="status" className="p-4 text-quiet">
          {say('Simulating each …')}
        </p>
      )}
    </Scroll>
  );
}
