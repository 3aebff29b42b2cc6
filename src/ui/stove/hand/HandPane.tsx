import type { StepState } from '../../../core/batch/state';
import { titleIn } from '../../../core/batch/titleIn';
import { timeOfDay } from '../../../core/units/clock';
import { Faces } from '../../frame/Faces';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { Scroll } from '../../shared/Scroll';
import { BUTTON } from '../../shared/styles';
import { PanStrip } from '../pans/PanStrip';
import type { Open } from '../StoveSheets';
import { doneNow, type Stove } from '../useStove';
import { Announced } from './Announced';
import { Status, StepPane } from './StepPane';
import { TimeLeft } from './TimeLeft';
import { Timers } from './Timers';

type Props = {
  readonly stove: Stove;
  readonly open: Open;
  readonly onOpen: (open: Open) => void;
  readonly onPan: (pan: string) => void;
};

/** What a timer of a step is offered as: its title, with its pan. */
const timerName = (step: StepState | undefined): string | undefined =>
  step?.does?.in ? `${step.does.in}: ${step.title}`.slice(0, 60) : step?.title;

/** Whose pot it is, which step of how many, and the other faces of it. */
function Head({ stove: { batch, place, state, now } }: Pick<Props, 'stove'>) {
  const say = useSay();
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p className="min-w-0 flex-1 basis-64 text-[18px] text-quiet">
        {say(
          '{recipeName} · {litres} in {vesselName} · step {place} of {count}{now, select, none {} other { · {now}}}',
          {
            recipeName: batch.plan.recipeName,
            litres: { ml: batch.plan.litres * 1000 },
            vesselName: batch.plan.vesselName,
            place: place + 1,
            count: state.steps.length,
            now: now === null ? 'none' : timeOfDay(new Date(now)),
          },
        )}
      </p>
      <div className="w-full min-[720px]:w-84">
        <Faces batchId={batch.id} />
      </div>
    </div>
  );
}

/** That the step shown is not the one at hand, and the way back to that. */
function Looking({ step, onBack }: { readonly step: StepState | undefined; readonly onBack: () => void }) {
  const say = useSay();
  return (
    <p className="flex flex-wrap items-center gap-3 bg-butter/30 px-3 py-1">
      <b>
        {step?.done
          ? say('Done already')
          : step?.begun != null
            ? say('It goes by itself')
            : say('Not at hand yet')}
      </b>
      <button type="button" onClick={onBack} className={BUTTON}>
        {say('Back to the step at hand')}
      </button>
    </p>
  );
}

/** The step at hand, or the one that is looked at, with the time it has left and the timers. */
export function HandPane({ stove, open, onOpen, onPan }: Props) {
  const { batch, state, place, due, looking, going, now } = stove;
  const { steps, timers } = state;
  const say = useSay();
  const show = useShow();
  const step = steps[place];
  return (
    <section
      aria-label={say('The step at hand')}
      className="flex min-h-[44vh] shrink-0 flex-col bg-surface px-5 pt-4 min-[1100px]:min-h-0 min-[1100px]:px-9"
    >
      <Head stove={stove} />
      <Status unsent={stove.unsent} refused={stove.refused} />
      {going && going.pans.length > 0 && (
        <PanStrip
          pans={going.pans}
          steps={steps}
          here={step?.does?.in ?? ''}
          now={now}
          show={show}
          onPan={onPan}
        />
      )}
      <Announced step={steps[due] ? titleIn(steps[due], show) : ''} timers={timers} now={now} />
      <Scroll label={say('What to do')} className="flex-1 pb-2 min-[1100px]:overflow-y-auto">
        {looking !== null && <Looking step={step} onBack={() => stove.setLooking(null)} />}
        {step && (
          <StepPane
            step={step}
            does={doneNow(going, step)}
            going={going}
            here={looking === null || step.begun !== null}
            colour={step.does?.kind === 'roux' && step.does !== step.planned?.does ? step.does.colour : null}
            scale={stove.scaleShows}
            show={show}
            write={stove.asked}
          />
        )}
      </Scroll>
      <div className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-1 border-rule border-t-2 py-2">
        <TimeLeft
          left={stove.left}
          going={going}
          now={now}
          endsNear={steps[due]?.planned?.celsius ?? null}
          serveAt={batch.serveAt}
        />
        <Timers
          timers={timers}
          name={timerName(steps[due]) ?? batch.plan.recipeName}
          now={now}
          open={open === 'timer'}
          onOpen={(o) => onOpen(o ? 'timer' : null)}
          write={stove.write}
        />
      </div>
    </section>
  );
}
