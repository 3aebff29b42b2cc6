import { term } from '../../core/message/term';
import type { Plan } from '../../core/plan/types';
import { timeOfDay } from '../../core/units/clock';
import { useSay } from '../shared/hooks/useSay';

/** On a screen without room for all: the dose and its liquid before anything else, and when to light. */
export function DoseFirst({ plan, lightAt }: { readonly plan: Plan; readonly lightAt: Date | null }) {
  const say = useSay();
  const doses = plan.weighOut.filter((l) => l.solved === 'thickness');
  const liquid = plan.weighOut.find((l) => l.solved === 'volume');
  const { dose } = plan.solved.dosing;
  /** Where it is thickened by how much of it is blended, that share is the dose. */
  const blended = doses.length === 0 && dose > 0 && dose <= 1 ? Math.round(dose * 100) : null;
  if (doses.length === 0 && !liquid && blended === null) return null;
  return (
    <section
      aria-label={say('The dose')}
      className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-ink border-b-2 bg-surface px-5 py-2 min-[1100px]:hidden"
    >
      {doses.map((l) => (
        <p key={`${l.step} ${l.ingredient}`} className="leading-tight">
          <b className="figures text-[44px]">{say('{g}', { g: { g: l.g } })}</b>{' '}
          <span className="text-[20px]">{say(term(l.name))}</span>
        </p>
      ))}
      {blended !== null && (
        <p className="leading-tight">
          <b className="figures text-[44px]">{blended} %</b>{' '}
          <span className="text-[20px]">{say('of it blended')}</span>
        </p>
      )}
      {liquid && (
        <p className="text-[20px] leading-tight">
          {say('{ml} {name}', {
            ml: liquid.ml === null ? { g: liquid.g } : { ml: liquid.ml },
            name: term(liquid.name),
          })}
        </p>
      )}
      {lightAt && (
        <p className="text-[20px] leading-tight">{say('lit {time}', { time: timeOfDay(lightAt) })}</p>
      )}
    </section>
  );
}
