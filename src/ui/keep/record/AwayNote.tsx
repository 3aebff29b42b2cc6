import { type DaysAway, daysAwayWords } from '../../../core/record/awayWords';
import { useSay } from '../../shared/hooks/useSay';

/** What a record is without, since it is put away in files. */
export function AwayNote({ away }: { away: readonly DaysAway[] }) {
  const say = useSay();
  return away.map((a) => (
    <p key={a.file} role="status" className="px-5 py-2 font-bold text-tomato">
      {say(daysAwayWords(a))}
    </p>
  ));
}
