import { Timer } from 'lucide-react';
import { countdown } from '../../../core/units/clock';
import { kitchenNow } from '../../device/line/clock';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../../shared/styles';

type Props = {
  /** When it was started; null while it stands. */
  readonly from: number | null;
  readonly now: number | null;
  readonly onStart: (at: number) => void;
  /** Minutes since it was started, to a tenth. */
  readonly onStop: (minutes: string) => void;
};

/** A watch that is started and stopped by a tap; what it shows outlives the page. */
export function StopWatch({ from, now, onStart, onStop }: Props) {
  const say = useSay();
  return from === null ? (
    <button type="button" className={BUTTON} onClick={() => onStart(kitchenNow())}>
      <Timer size={22} aria-hidden /> {say('Start the watch')}
    </button>
  ) : (
    <button
      type="button"
      className={PRIMARY}
      onClick={() => onStop(((kitchenNow() - from) / 60_000).toFixed(1))}
    >
      {say.rich('<part>{now}</part> Stop', {
        part: (text) => (
          <span className="figures" role="timer">
            {text}
          </span>
        ),
        now: now === null ? '··:··' : countdown(-Math.max(0, (now - from) / 1000)).replace('+', ''),
      })}
    </button>
  );
}
