import { Check } from 'lucide-react';
import type { Watch, WatchedPieces } from '../../../core/batch/guide/watch';
import { term } from '../../../core/message/term';
import { useSay } from '../../shared/hooks/useSay';

/** What the step is about, large enough to be read from the other side of the kitchen. */
export function Watching({ watch }: { watch: Watch }) {
  const say = useSay();
  if (watch.kind === 'pieces')
    return (
      <ul aria-label={say('How far they are')} className="mt-5 grid gap-3">
        {watch.of.slice(0, 4).map((p) => (
          <Pieces key={`${p.ingredient} ${p.cut.shape} ${p.cut.edgeMm}`} pieces={p} />
        ))}
      </ul>
    );
  if (watch.kind === 'climb') {
    const share = (watch.now - watch.from) / (watch.to - watch.from);
    return (
      <Bar
        label={say('How hot it is')}
        share={share}
        now={say('{now}', { now: { celsius: watch.now } })}
        left={say('from {from}', { from: { celsius: watch.from } })}
        right={say('to {to}', { to: { celsius: watch.to } })}
      />
    );
  }
  const toGo = Math.max(0, watch.nowMm - watch.toMm);
  return (
    <Bar
      label={say('How far it has gone down')}
      share={(watch.fromMm - watch.nowMm) / (watch.fromMm - watch.toMm)}
      now={
        toGo < 1
          ? say('{now} cm: low enough', { now: (watch.nowMm / 10).toFixed(1) })
          : say('{now} cm, {toGo} mm to go', { now: (watch.nowMm / 10).toFixed(1), toGo: Math.round(toGo) })
      }
      left={say('from {from} cm', { from: (watch.fromMm / 10).toFixed(1) })}
      right={say('to {to} cm on the wall', { to: (watch.toMm / 10).toFixed(1) })}
    />
  );
}

/** Pieces of one kind: one drawn at its size, filled as far as it is soft, and how long until a fork goes through. */
function Pieces({ pieces: { name, cut, done, minutes } }: { pieces: WatchedPieces }) {
  const say = useSay();
  const soft = Math.min(1, done);
  const short = term(name.split(',')[0] ?? name);
  return (
    <li className="flex items-center gap-4">
      <span aria-hidden className="grid w-24 shrink-0 place-items-center">
        <span
          className="relative block overflow-hidden border-2 border-ink bg-surface"
          style={{
            height: `${Math.min(22, cut.shape === 'slab' ? Math.max(cut.edgeMm, 2) : cut.edgeMm)}mm`,
            width: `${Math.min(22, cut.shape === 'cube' ? cut.edgeMm : 22)}mm`,
          }}
        >
          <span className="absolute inset-x-0 bottom-0 bg-butter" style={{ height: `${soft * 100}%` }} />
        </span>
      </span>
      <span className="min-w-0 leading-tight">
        <b className="block text-[22px]">{say('{what}, {mm} mm', { what: short, mm: cut.edgeMm })}</b>
        <span className="figures flex items-center gap-2 font-bold text-[34px] leading-none">
          {done >= 1 ? (
            <>
              <Check size={30} strokeWidth={3} aria-hidden /> {say('tender')}
            </>
          ) : (
            `${Math.round(soft * 100)} %`
          )}
        </span>
        {done < 1 && (
          <span className="text-[18px] text-quiet">
            {minutes === null
              ? say('of the way to tender; too cool yet to soften')
              : say('of the way to tender, about {minutes} min more', {
                  minutes: Math.max(1, Math.round(minutes)),
                })}
          </span>
        )}
      </span>
    </li>
  );
}

function Bar({
  label,
  share,
  now,
  left,
  right,
}: {
  label: string;
  share: number;
  now: string;
  left: string;
  right: string;
}) {
  const percent = Math.round(Math.min(1, Math.max(0, share)) * 100);
  return (
    <figure aria-label={label} className="mt-6 max-w-160">
      <p className="figures font-bold text-[clamp(34px,4.4vw,56px)] leading-none">{now}</p>
      <div aria-hidden className="mt-3 h-10 rounded-sm border-2 border-ink bg-surface">
        <div className="h-full bg-butter" style={{ width: `${percent}%` }} />
      </div>
      <p className="mt-1 flex justify-between text-[18px] text-quiet">
        <span>{left}</span>
        <span>{right}</span>
      </p>
    </figure>
  );
}
