import type { Cause } from '../../core/adjust/why';
import { capital } from '../../core/units/format';

/** What the model thinks went otherwise, the likeliest first. */
export function Why({ causes }: { causes: readonly Cause[] }) {
  if (causes.length === 0)
    return (
      <p className="p-4 text-[19px]">
        Nothing stands out: the readings say no more than the usual scatter. A ruler and a flow test tell
        most.
      </p>
    );
  return (
    <ol className="grid gap-2 p-4">
      {causes.map((c) => (
        <li key={c.says} className="border-rule border-b pb-2 text-[19px]">
          <b>{capital(c.says)}</b>
          <span className="block text-[16px] text-quiet">
            made it {Math.round(Math.abs(Math.expm1(c.by)) * 100)} % {c.made}
            {Number.isFinite(c.sigmas)
              ? c.sigmas > 1
                ? ', more than the usual scatter'
                : ', within the usual scatter'
              : ', by the scale'}
          </span>
        </li>
      ))}
    </ol>
  );
}
