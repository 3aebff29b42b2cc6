import { clsx } from 'clsx';
import { Droplets } from 'lucide-react';
import { type BandLimits, bandOf } from '../../../core/flow/bands';
import { term } from '../../../core/message/term';
import { mPas } from '../../../core/units/shown/format';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { BUTTON, PRIMARY } from '../../shared/styles';

type Props = {
  /** The cook says one thing, the model another. */
  readonly atOdds: boolean;
  /** A flow test was made. */
  readonly tested: boolean;
  /** mPa·s it is believed to land at. */
  readonly lands: number;
  readonly limits: BandLimits;
  readonly batchId: string;
};

/** A flow test decides where cook and model disagree, and makes any dose surer. */
export function MeasureFirst({ atOdds, tested, lands, limits, batchId }: Props) {
  const say = useSay();
  return (
    <p
      className={clsx(
        'flex flex-wrap items-center gap-3 border-2 border-ink px-3 py-2',
        atOdds && 'bg-butter text-on-butter',
      )}
    >
      <span className="min-w-0 flex-1 basis-64">
        {atOdds
          ? say.rich(
              '<b>Measure first.</b> {tested, select, yes {By the last test} other {By the model alone}} it lands at {lands}, {band}: a flow test says by how much it is off.',
              {
                b: (text) => <b>{text}</b>,
                tested: tested ? 'yes' : 'no',
                lands: mPas(lands),
                band: term(bandOf(lands, limits)),
              },
            )
          : say('The last flow test is old or missing: a fresh one makes the dose surer.')}
      </span>
      <Link href={`/check?batch=${batchId}`} className={atOdds ? BUTTON : PRIMARY}>
        <Droplets size={20} aria-hidden /> {say('Flow test')}
      </Link>
    </p>
  );
}
