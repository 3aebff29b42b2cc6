'use client';

import Link from 'next/link';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { bandOf } from '../../core/flow/bands';
import { type Compared, EVERY_WAY } from '../../core/plan/choose/compare';
import { AS_WRITTEN, usualShare } from '../../core/plan/choose/ways';
import { duration, mPas, spaced } from '../../core/units/format';
import { doseWords, Grade } from '../plan/Grade';
import { amendmentOf, type Stores, type Wish } from '../plan/request';
import { addressOf, SHARES } from '../plan/wish';
import { Choice } from '../shared/Choice';
import { Scroll } from '../shared/Scroll';
import { Segments } from '../shared/Segments';
import { PRIMARY } from '../shared/styles';
import { usePlanner } from '../shared/usePlanner';

/** Loaded once the doses are in. */
const Curves = lazy(async () => ({ default: (await import('./Curves')).Curves }));

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

type Row = {
  readonly words: string;
  readonly of: (c: Compared) => string;
};

const rowsFor = (currency: string): readonly Row[] => [
  { words: 'Weigh', of: doseWords },
  { words: 'In spoons', of: (c) => c.doses.at(-1)?.measure ?? '–' },
  { words: 'Cost', of: (c) => (c.cost === null ? 'no price' : `${currency}${c.cost.toFixed(2)}`) },
  { words: 'Simmer at least', of: (c) => (c.leastMinutes ? `${c.leastMinutes} min` : 'as written') },
  { words: 'Flame to pass', of: (c) => duration(c.seconds) },
  { words: 'Clear', of: (c) => c.properties?.clarity ?? '–' },
  { words: 'Gloss', of: (c) => c.properties?.gloss ?? '–' },
  { words: 'Holds hot', of: (c) => c.properties?.holding ?? '–' },
  { words: 'Freezes', of: (c) => c.properties?.freezing ?? '–' },
  { words: 'Against acid', of: (c) => c.properties?.acid ?? '–' },
  { words: 'Against a blender', of: (c) => c.properties?.shear ?? '–' },
  { words: 'Tastes', of: (c) => c.properties?.taste ?? 'of the soup' },
  { words: 'Allergens in all', of: (c) => c.allergens.join(', ') || 'none known' },
];

/** One pot, every thickener: doses and properties as a table, curves beside, one of them taken into the plan. */
export function CompareView({ stores, first }: { stores: Stores; first: Wish }) {
  const { house, recipes } = stores;
  const [wish, setWish] = useState(first);
  const written = recipes.find((r) => r.id === wish.recipeId) ?? recipes[0];
  const vessel = house.vessels.find((v) => v.id === wish.vesselId) ?? house.vessels[0];
  const burner = house.burners.find((b) => b.id === wish.burnerId) ?? house.burners[0];
  const [share, setShare] = useState(wish.share ?? (written ? usualShare(written) : 1));
  const [picked, setPicked] = useState(wish.way ?? AS_WRITTEN.id);
  const question = useMemo(() => {
    if (!written || !vessel || !burner) return null;
    const { litres, viscosity, rule, colour } = wish;
    const amendment = { ...amendmentOf(wish), share };
    return {
      kind: 'compare' as const,
      key: JSON.stringify([wish, share]),
      recipe: written,
      order: { litres, viscosity, rule, colour },
      stand: { vessel, burner, kitchen: house.kitchen },
      amendment,
    };
  }, [wish, share, written, vessel, burner, house.kitchen]);
  const [found, setFound] = useState<{ key: string; all: readonly Compared[] }>({ key: '', all: [] });
  const ask = usePlanner((told) => {
    if (told.kind !== 'compared') return;
    setFound((f) => ({ key: told.key, all: f.key === told.key ? [...f.all, told.one] : [told.one] }));
  });
  useEffect(() => {
    if (question) ask(question);
  }, [ask, question]);
  if (!written || !vessel || !burner || !question) return null;

  const { bandLimits } = house.kitchen;
  const all = found.all;
  const done = found.key === question.key && all.length === EVERY_WAY.length;
  const one = all.find((c) => c.way.id === picked) ?? all[0];
  const into: Wish = {
    ...wish,
    way: picked === AS_WRITTEN.id ? undefined : picked,
    share: picked === AS_WRITTEN.id ? undefined : share,
  };
  const rows = rowsFor(house.currency);
  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:overflow-hidden">
      <h1 className="sr-only">Compare</h1>
      <div className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-2 border-ink border-b-2 bg-surface px-5 py-3 min-[1100px]:px-7">
        <p className="text-[clamp(20px,2.05vw,27px)] leading-[1.5]">
          {spaced(wish.litres, Number.isInteger(wish.litres) ? 0 : 1)} L of{' '}
          <Choice
            label="Soup"
            value={written.id}
            words={written.name.toLowerCase()}
            onChange={(recipeId) => {
              const next = recipes.find((r) => r.id === recipeId);
              setPicked(AS_WRITTEN.id);
              if (next) setShare(usualShare(next));
              setWish((w) => ({ ...w, recipeId, rule: undefined, colour: undefined }));
            }}
            options={recipes.map((r) => ({ value: r.id, words: r.name, aside: r.school }))}
          />
          , <b>{bandOf(wish.viscosity, bandLimits)}</b> ({mPas(wish.viscosity)} mPa·s), in{' '}
          <b>{vessel.name}</b>, by every thickener.
        </p>
        <span className="ml-auto flex items-center gap-3">
          <span className="font-bold">It does</span>
          <Segments
            label="Part of the thickening it does"
            value={String(share)}
            onChange={(v) => setShare(Number(v))}
            options={SHARES.map((s) => ({ value: String(s), words: s === 1 ? 'all' : `${s * 100} %` }))}
          />
        </span>
      </div>
      <div className="grid grid-cols-1 min-[1100px]:min-h-0 min-[1100px]:flex-1 min-[1100px]:grid-cols-[1fr_430px]">
        <Scroll label="Every thickener" className="overflow-auto max-[1100px]:max-h-[70vh]">
          <table className="w-full border-collapse text-left">
            <thead className="sticky top-0 z-20 bg-ground">
              <tr>
                <th
                  scope="col"
                  className="sticky left-0 z-10 bg-ground px-4 py-2 font-normal text-quiet max-[720px]:px-2"
                >
                  Way
                </th>
                {rows.map((r) => (
                  <th
                    key={r.words}
                    scope="col"
                    className="whitespace-nowrap px-3 py-2 font-normal text-quiet"
                  >
                    {r.words}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {all.map((c) => {
                const barred = c.doses.length === 0 && c.blend === null;
                return (
                  <tr
                    key={c.way.id}
                    className={`border-rule border-t ${c.way.id === picked ? 'bg-butter text-on-butter' : ''}`}
                  >
                    <th
                      scope="row"
                      className={`sticky left-0 z-10 border-ink border-r-2 p-0 font-bold ${c.way.id === picked ? 'bg-butter' : 'bg-ground'}`}
                    >
                      <button
                        type="button"
                        aria-pressed={c.way.id === picked}
                        disabled={barred}
                        onClick={() => setPicked(c.way.id)}
                        className="block min-h-14 w-54 px-4 py-1 text-left leading-tight disabled:cursor-default max-[720px]:w-36 max-[720px]:px-2"
                      >
                        {capital(c.way.words)}
                        <span className="block text-[15px]">
                          <Grade fit={c.fit} plain={c.way.id === picked} />
                        </span>
                      </button>
                    </th>
                    {barred ? (
                      <td colSpan={rows.length} className="px-3">
                        {c.fit.reasons[0]?.says}
                      </td>
                    ) : (
                      rows.map((r, n) => (
                        <td
                          key={r.words}
                          className={`px-3 ${n < 5 ? 'figures whitespace-nowrap' : 'min-w-24'} ${n === 0 ? 'font-bold' : ''}`}
                        >
                          {r.of(c)}
                        </td>
                      ))
                    )}
                  </tr>
                );
              })}
            </tbody>
          </table>
          {!done && (
            <p role="status" className="p-4 text-quiet">
              Cooking each in thought, {all.length} of {EVERY_WAY.length} …
            </p>
          )}
        </Scroll>
        <section
          aria-label="The one picked"
          className="flex min-h-0 flex-col border-ink px-4 py-3 max-[1100px]:border-t-2 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
        >
          <h2 className="font-bold">How thick by how much</h2>
          <div className="h-64 shrink-0">
            {done && (
              <Suspense fallback={<p className="text-quiet">Drawing the curves …</p>}>
                <Curves all={all} picked={picked} target={wish.viscosity} limits={bandLimits} />
              </Suspense>
            )}
          </div>
          {one && (
            <>
              <h3 className="mt-3 flex items-center justify-between gap-3 font-bold text-[22px] leading-tight">
                {capital(one.way.words)} <Grade fit={one.fit} />
              </h3>
              <ul className="mt-1">
                {one.fit.reasons.map((r) => (
                  <li key={r.says} className="flex gap-2 py-0.5">
                    <span aria-hidden className="w-4 shrink-0 font-bold">
                      {r.good ? '+' : '−'}
                    </span>
                    <span className="sr-only">{r.good ? 'For: ' : 'Against: '}</span>
                    {r.says}
                  </li>
                ))}
              </ul>
            </>
          )}
          <div className="sticky bottom-0 mt-auto bg-ground pt-3">
            <Link href={addressOf(into)} className={`w-full ${PRIMARY}`}>
              Take it into the plan
            </Link>
          </div>
        </section>
      </div>
    </div>
  );
}
