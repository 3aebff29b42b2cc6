import type { Cause } from '../../core/adjust/why';
import { useSay } from '../shared/hooks/useSay';

/** What the model thinks went otherwise, the likeliest first. */
export function Why({ causes }: { causes: readonly Cause[] }) {
  const say = useSay();
  if (causes.length === 0)
    return (
      <p className="p-4 text-[19px]">
        {say(
          'Nothing stands out: the readings say no more than the usual scatter. A ruler and a flow test tell most.',
        )}
      </p>
    );
  return (
    <ol className="grid gap-2 p-4">
      {causes.map((c) => (
        <li key={`${c.says.text} ${c.by}`} className="border-rule border-b pb-2 text-[19px]">
          <b>{say('{cause}', { cause: { opening: c.says } })}</b>
          <span className="block text-[16px] text-quiet">
            {say('made it {percent} % {made, select, thinner {thinner} other {thicker}}{scatter}', {
              percent: Math.round(Math.abs(Math.expm1(c.by)) * 100),
              made: c.made,
              scatter: Number.isFinite(c.sigmas)
                ? c.sigmas > 1
                  ? say(', more than the usual scatter')
                  : say(', within the usual scatter')
                : say(', by the scale'),
            })}
          </span>
        </li>
      ))}
    </ol>
  );
}
