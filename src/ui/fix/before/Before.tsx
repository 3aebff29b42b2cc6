import { saidOfThickness } from '../../../core/adjust/disagrees';
import { leavingOut } from '../../../core/adjust/said';
import type { BandLimits } from '../../../core/flow/bands';
import type { Going } from '../../device/useFollow';
import { useSay } from '../../shared/hooks/useSay';
import type { Fix } from '../useFix';
import { Clash } from './Clash';
import { MeasureFirst } from './MeasureFirst';
import { SaltLeft } from './SaltLeft';

type Props = { readonly fix: Fix; readonly going: Going; readonly limits: BandLimits };

/** What is to be known before anything goes in: what contradicts, what has to be measured, and what it is taken as until then. */
export function Before({ fix, going, limits }: Props) {
  const say = useSay();
  const { batch, write, wanted, clash, atOdds, toCome, taken, ages } = fix;
  const { followed, seen } = going;
  const said = saidOfThickness(wanted.faults);
  return (
    <>
      {clash && <Clash clash={clash} events={followed.state.events} write={write} batchId={batch.id} />}
      {!clash && said !== 0 && (atOdds || fix.stale) && (
        <MeasureFirst
          atOdds={atOdds}
          tested={ages?.flow != null}
          lands={fix.lands}
          limits={limits}
          batchId={batch.id}
        />
      )}
      {atOdds && taken && !clash && (
        <p>
          {say(
            'Until it is tested it is taken as you see it: {said, select, thick {half as thick again as} other {two thirds as thick as}} it should be. A smaller step first.',
            { said: said > 0 ? 'thick' : 'thin' },
          )}
        </p>
      )}
      {toCome.length > 0 && (
        <SaltLeft
          held={seen.saltPercent}
          g={toCome.reduce((sum, s) => sum + s.g, 0)}
          onLeave={() => {
            for (const body of leavingOut(toCome)) write(body);
          }}
        />
      )}
      {wanted.faults.includes('too salty') &&
        toCome.length === 0 &&
        fix.measured &&
        seen.saltPercent <= followed.kitchen.saltPercent * 1.05 && (
          <p>
            {say(
              'By what went in it holds {held} % salt. Your tongue says otherwise, so it is taken as {first, select, yes {a quarter} other {a little}} over the house’s {wanted} %.',
              {
                held: seen.saltPercent.toFixed(2),
                first: fix.saltyBefore === 0 ? 'yes' : 'no',
                wanted: followed.kitchen.saltPercent.toFixed(2),
              },
            )}
          </p>
        )}
    </>
  );
}
