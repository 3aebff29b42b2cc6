import { List, Thermometer, Undo2, Wrench } from 'lucide-react';
import type { Message } from '../../../core/message/message';
import { timeOfDay } from '../../../core/units/clock';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { Pan } from '../../shared/Pan';
import { BUTTON } from '../../shared/styles';

/** Where a thumb reaches on a phone, the pads being further up. */
const NEAR = 'flex min-h-13 min-w-0 flex-1 items-center justify-center gap-2 border-ink px-2 text-[17px]';

type Props = {
  readonly batchId: string;
  /** Opens the pad of a temperature; null where the pot is not followed. */
  readonly onRead: (() => void) | null;
  /** The step after this one, and what to get ready for it. */
  readonly next:
    | {
        readonly title: string;
        readonly peek: string;
        /** The pan it is done in; empty for the pot. */
        readonly pan: string;
        /** ms from which it is to be begun; null at once after this. */
        readonly at: number | null;
      }
    | undefined;
  /** The step is begun, and then goes by itself. */
  readonly begins: boolean;
  /** What the last line of this pot is; null where there is none to take back. */
  readonly takesBack: Message | null;
  readonly onSteps: () => void;
  readonly onTakeBack: () => void;
  readonly onDone: () => void;
};

/** Along the foot of the stove: what comes next, the step back, and the one large button. */
export function StepBar({ batchId, onRead, next, begins, takesBack, onSteps, onTakeBack, onDone }: Props) {
  const say = useSay();
  return (
    <>
      <div className="flex min-w-0 items-center gap-4 border-ink border-t-2 bg-ground px-5 py-2">
        <button type="button" onClick={onSteps} className={`${BUTTON} shrink-0`}>
          <List aria-hidden /> {say('All steps')}
        </button>
        {next && (
          <p className="min-w-0 flex-1 truncate text-[20px]">
            <span className="text-quiet">
              {next.at === null
                ? say('Next')
                : say('Next, at {time}', { time: timeOfDay(new Date(next.at)) })}
            </span>{' '}
            {next.pan && <Pan name={next.pan} />}
            <b className="ml-1">{next.title}</b> <span className="ml-1">{next.peek}</span>
          </p>
        )}
      </div>
      <div className="sticky bottom-0 z-30 shrink-0 border-ink border-t-2 min-[1100px]:border-l-2">
        <div className="flex bg-surface min-[1100px]:hidden">
          {onRead && (
            <button type="button" onClick={onRead} className={NEAR}>
              <Thermometer aria-hidden size={22} /> {say('Temperature')}
            </button>
          )}
          <Link href={`/fix?batch=${batchId}`} className={`${NEAR} border-l-2 font-bold text-tomato`}>
            <Wrench aria-hidden size={22} /> {say('Something’s wrong')}
          </Link>
        </div>
        <div className="flex">
          <button
            type="button"
            onClick={onTakeBack}
            disabled={takesBack === null}
            className="flex min-h-24 w-26 shrink-0 flex-col items-center justify-center gap-1 bg-surface disabled:text-rule"
          >
            <Undo2 aria-hidden />
            {say('Take back')}
            {takesBack && (
              <span className="max-w-full truncate px-1 text-[14px] text-quiet">{say(takesBack)}</span>
            )}
          </button>
          <button
            type="button"
            onClick={onDone}
            className="min-h-24 flex-1 border-ink border-l-2 bg-butter font-bold text-[28px] text-on-butter"
          >
            {begins ? say('It is on, next') : next ? say('Done, next') : say('Done, to the pass')}
          </button>
        </div>
      </div>
    </>
  );
}
