import { useState } from 'react';
import type { Option } from '../../core/adjust/option';
import { causesOf } from '../../core/adjust/why';
import type { BandLimits } from '../../core/flow/bands';
import type { Show } from '../../core/units/shown/show';
import type { Going } from '../device/useFollow';
import { PotNow } from '../shared/draw/PotNow';
import { Scale } from '../shared/draw/Scale';
import { useSay } from '../shared/hooks/useSay';
import { Sheet } from '../shared/Sheet';
import { BUTTON } from '../shared/styles';
import { Corrected } from './Corrected';
import { marksOf } from './marks';
import { Why } from './Why';

type Props = {
  readonly followed: Going['followed'];
  readonly going: Going;
  /** The correction looked at; null for the pot as it is. */
  readonly chosen: Option | null;
  readonly limits: BandLimits;
  readonly show: Show;
};

/** The pot and the ladder with what was chosen, why it is so, and what has been put right before. */
export function Landing({ followed, going, chosen, limits, show }: Props) {
  const say = useSay();
  const [whyOpen, setWhyOpen] = useState(false);
  return (
    <section
      aria-label={say('Where it lands')}
      className="flex min-h-0 shrink-0 flex-col gap-2 border-ink bg-ground px-4 py-3 max-[1100px]:border-t-2 min-[1100px]:border-l-2"
    >
      <h2 className="font-bold leading-tight">{chosen ? say(chosen.title) : say('As it is')}</h2>
      <div className="h-44 shrink-0">
        <PotNow
          vessel={followed.cooked.vessel}
          ml={going.seen.volumeMl}
          endMl={chosen?.volumeMl ?? going.to.end.volumeMl}
          show={show}
        />
      </div>
      <div className="min-h-56 flex-1">
        <Scale limits={limits} marks={marksOf(followed, going, chosen)} label={say('Where it lands')} />
      </div>
      <Sheet
        open={whyOpen}
        onOpenChange={setWhyOpen}
        title={say('Why it is so')}
        trigger={say('Why?')}
        triggerClass={BUTTON}
      >
        <Why causes={causesOf(followed, going.doubt?.slopes ?? [])} />
      </Sheet>
      <Corrected events={followed.state.events} fat={going.seen.fatFraction} />
    </section>
  );
}
