'use client';

import type { Story } from '../../../core/log/story';
import { useSay } from '../../shared/hooks/useSay';

/** What went otherwise than planned, in words, and what the model thinks it was. */
export function WhatDiffered({ story, narrow }: { readonly story: Story; readonly narrow: boolean }) {
  const say = useSay();
  const { differences, causes } = story;
  if (differences.length === 0 && causes.length === 0)
    return <p className="pt-3 text-[19px]">{say('It went as planned.')}</p>;
  return (
    <div className={`grid gap-x-8 gap-y-3 pt-3 ${narrow ? '' : 'min-[760px]:grid-cols-2'}`}>
      <section>
        <h2 className="font-bold text-[19px]">{say('What differed')}</h2>
        {differences.length === 0 ? (
          <p>{say('Nothing that was written down.')}</p>
        ) : (
          <table className="w-full text-left text-[16px]">
            <thead className="text-quiet">
              <tr>
                <th className="font-normal">{say('What')}</th>
                <th className="font-normal">{say('Planned')}</th>
                <th className="font-normal">{say('Was')}</th>
              </tr>
            </thead>
            <tbody>
              {differences.slice(0, 8).map((d) => (
                <tr key={`${say.either(d.what)} ${say.either(d.was)}`} className="border-rule border-t">
                  <td className="pr-3">{say.either(d.what)}</td>
                  <td className="pr-3">{say.either(d.planned)}</td>
                  <td className="font-bold">{say.either(d.was)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section>
        <h2 className="font-bold text-[19px]">{say('What the model thinks it was')}</h2>
        {causes.length === 0 ? (
          <p>{say('Nothing beyond the usual scatter.')}</p>
        ) : (
          <ol>
            {causes.slice(0, 4).map((c) => (
              <li key={`${c.says.text} ${c.by}`} className="border-rule border-b py-1">
                {say('{cause}', { cause: { opening: c.says } })}
                <span className="text-quiet">
                  {say(', it made it {percent} % {made, select, thinner {thinner} other {thicker}}', {
                    percent: Math.round(Math.abs(Math.expm1(c.by)) * 100),
                    made: c.made,
                  })}
                </span>
              </li>
            ))}
          </ol>
        )}
      </section>
    </div>
  );
}
