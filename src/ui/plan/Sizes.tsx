'use client';

import type { Scaled } from '../../core/compare/scaling';
import { VOLUME_UNITS } from '../../core/units/quantity';
import { duration, spaced } from '../../core/units/shown/format';
import { askedVolume, volumeWords } from '../../core/units/shown/show';
import { placeWords } from '../../core/words/pans';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;

/** The same soup at other sizes: what does not grow with the litres. */
export function Sizes({ sizes }: { sizes: readonly Scaled[] | null }) {
  const say = useSay();
  const show = useShow();
  if (!sizes) return <p className="p-4 text-quiet">{say('Planning each size …')}</p>;
  const us = show.volume === 'gal';
  const rows: readonly (readonly [string, (s: Scaled) => string])[] = [
    [say('In'), (s) => `${s.vesselName}${s.fits ? '' : say(' (too full)')}`],
    // A pan beside it is scaled by what limits it: what it holds, or one layer on its floor.
    ...(sizes[0]?.beside ?? []).map(({ name }): readonly [string, (s: Scaled) => string] => [
      name,
      (s) => {
        const pan = s.beside.find((b) => b.name === name);
        if (!pan) return '–';
        const words = say(placeWords(pan.place));
        return pan.lots > 1 ? say('{words}, {lots} lots', { words, lots: pan.lots }) : words;
      },
    ]),
    [say('Water lost of what is made'), (s) => percent(s.lossShare)],
    [say('Flame to the first simmer'), (s) => duration(s.toSimmerSeconds)],
    [say('At the simmer'), (s) => duration(s.simmerSeconds)],
    [say('From flame to pass'), (s) => duration(s.seconds)],
    [
      say('Thickener'),
      (s) =>
        s.doseALitre === null
          ? '–'
          : s.doseALitre <= 1
            ? say('{doseALitre} % blended', { doseALitre: Math.round(s.doseALitre * 100) })
            : us
              ? say('{g} a quart', { g: { g: s.doseALitre * (VOLUME_UNITS.quart / 1000) } })
              : say('{g} a litre', { g: `${spaced(s.doseALitre, 1)} g` }),
    ],
    [
      us ? say('Liquid for a quart') : say('Liquid for a litre'),
      (s) =>
        s.liquidALitre > 0 ? volumeWords(s.liquidALitre * (us ? VOLUME_UNITS.quart : 1000), show) : '–',
    ],
  ];
  return (
    <div className="p-4">
      <p>
        {say(
          'Weights grow with the litres. These do not: a small wide pot loses more of its water, a large one takes longer to heat, and dice soften in the time they take.',
        )}
      </p>
      <table className="mt-4 w-full border-collapse text-left">
        <thead>
          <tr className="border-ink border-b-2">
            <th className="py-2 font-normal text-quiet" scope="col">
              {say('Same soup, same band')}
            </th>
            {sizes.map((s) => (
              <th key={s.by} scope="col" className="figures px-2 py-2 text-right text-[22px]">
                {askedVolume(s.litres, show)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([words, of]) => (
            <tr key={words} className="border-rule border-b">
              <th scope="row" className="py-2.5 font-normal">
                {words}
              </th>
              {sizes.map((s) => (
                <td key={s.by} className="px-2 py-2.5 text-right font-bold">
                  {of(s)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
