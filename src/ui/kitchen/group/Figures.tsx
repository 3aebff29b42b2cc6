'use client';

import type { KitchenFigures } from '../../../contract/groups';
import { dayAndTime } from '../../../core/units/clock';
import { useSay } from '../../shared/hooks/useSay';
import { Scroll } from '../../shared/Scroll';

/** A share as whole percent; a dash where there is nothing it is a share of. */
const percent = (part: number, of: number): string => (of > 0 ? `${Math.round((100 * part) / of)} %` : '–');

/** How the group’s kitchens came out over the last days: counts, never a line of what they wrote. */
export function Figures({
  figures,
  days,
}: {
  readonly figures: readonly KitchenFigures[];
  readonly days: number;
}) {
  const say = useSay();
  const heads = [
    say('Kitchen'),
    say('Batches'),
    say('First time'),
    say('Put right'),
    say('Outside'),
    say('Not tested'),
    say('Thrown away'),
    say('Of them cooled too slowly'),
    say('Not answered'),
    say('Last line'),
  ];
  return (
    <section className="grid gap-3" aria-label={say('The group’s figures')}>
      <h2 className="font-bold text-[24px]">{say('The last {days} days', { days })}</h2>
      <Scroll label={say('The group’s figures')} className="overflow-x-auto">
        <table className="w-full border-2 border-ink bg-surface text-left">
          <thead>
            <tr>
              {heads.map((h, n) => (
                <th
                  key={h}
                  scope="col"
                  className={`border-ink border-b-2 px-3 py-2 align-bottom leading-tight ${n === 0 ? '' : 'text-right'}`}
                >
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {figures.map((f) => {
              const tested = f.first + f.putRight + f.outside;
              const cells = [
                String(f.batches),
                percent(f.first, tested),
                percent(f.putRight, tested),
                percent(f.outside, tested),
                String(f.untested),
                String(f.binned),
                String(f.tooSlow),
                String(f.waiting),
                f.lastLine ? dayAndTime(new Date(f.lastLine)) : say('none yet'),
              ];
              return (
                <tr key={f.kitchen} className="border-rule border-t">
                  <th scope="row" translate="no" className="px-3 py-2">
                    {f.name}
                  </th>
                  {cells.map((c, n) => (
                    <td
                      key={n}
                      className={`figures whitespace-nowrap px-3 py-2 text-right ${n === 6 && f.tooSlow > 0 ? 'font-bold text-tomato' : ''}`}
                    >
                      {c}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </Scroll>
      <p className="text-quiet">
        {say(
          'Of the batches whose flow was tested: landed the first time, put right, or served outside the band.',
        )}
      </p>
    </section>
  );
}
