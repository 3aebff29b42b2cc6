import type { House } from '../../core/kitchen/house';
import { term } from '../../core/message/term';
import type { Plan } from '../../core/plan/types';
import { sayFor, useSay } from '../shared/hooks/useSay';

type Props = { readonly plan: Plan; readonly name: string; readonly house: House };

/** The dose of the first soup by what is answered so far, read in the units that were picked. */
export function DoseStrip({ plan, name, house }: Props) {
  const { reader } = useSay();
  const say = sayFor({ ...reader, ...house.show });
  const dose = plan.weighOut.find((l) => l.solved === 'thickness');
  const liquid = plan.weighOut.find((l) => l.solved === 'volume');
  const share = plan.solved.dosing.dose;
  return (
    <section
      aria-label={say('The dose')}
      role="status"
      className="flex shrink-0 flex-wrap items-baseline gap-x-5 border-ink border-t-2 bg-butter px-5 py-2 text-on-butter"
    >
      <b className="figures text-[40px] leading-tight">
        {dose ? say('{g}', { g: { g: dose.g } }) : `${Math.round(share * 100)} %`}
      </b>
      <span className="text-[20px]">
        {dose
          ? say('{what} for {litres} of {name}, {band}', {
              what: term(dose.name),
              litres: { litres: plan.aim.litres },
              name,
              band: term(plan.found.band),
            })
          : say('of it blended, for {litres} of {name}, {band}', {
              litres: { litres: plan.aim.litres },
              name,
              band: term(plan.found.band),
            })}
        {liquid &&
          say('; {ml} {liquid}', {
            ml: { ml: liquid.ml ?? liquid.g },
            liquid: term(liquid.name),
          })}
      </span>
    </section>
  );
}
