import { STEP_KINDS, type StepKind } from '../../../core/pot/kinds/names';
import { ROWS } from '../../../core/pot/kinds/rows';
import { useSay } from '../../shared/hooks/useSay';

/** Every kind of step, to pick one. */
export function StepKinds({ onPick }: { onPick: (kind: StepKind) => void }) {
  const say = useSay();
  return (
    <ul>
      {STEP_KINDS.map((k) => (
        <li key={k} className="border-rule border-b last:border-b-0">
          <button
            type="button"
            onClick={() => onPick(k)}
            className="flex min-h-14 w-full items-center gap-3 px-4 text-left hover:bg-butter hover:text-on-butter focus-visible:bg-butter focus-visible:text-on-butter"
          >
            <b className="w-36 shrink-0">{say(ROWS[k].verb)}</b>
            <span>{say(ROWS[k].what)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
