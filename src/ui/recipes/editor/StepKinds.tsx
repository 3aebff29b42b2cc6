import { stepVerb } from '../../../core/formats/recipeWords';
import { type Message, message } from '../../../core/message/message';
import { useSay } from '../../shared/useSay';
import { FRESH, type StepKind } from './form/spec';

const WHAT: { readonly [K in StepKind]: Message } = {
  render: message('fat out of bacon or sausage'),
  sweat: message('vegetables in fat, to translucent or gold'),
  roux: message('flour and fat cooked apart or in the pot'),
  dust: message('flour over what was sweated'),
  add: message('anything into the pot'),
  'bring-to': message('the simmer, the boil or a temperature'),
  simmer: message('for minutes, or until tender'),
  reduce: message('boil down, by share, level or minutes'),
  puree: message('all or part of it, or to thickness'),
  strain: message('pieces out'),
  thicken: message('slurry, kneaded butter, cooked roux, starch in cream'),
  temper: message('dairy or a liaison, warmed by ladles'),
  poach: message('late proteins, to their centre'),
  season: message('salt last, then pepper and herbs'),
  rest: message('off the fire'),
  hold: message('hot, for service'),
  chill: message('in pans, a blast or an ice bath'),
  reheat: message('from cold'),
  keep: message('cold or frozen, with its date mark'),
};

/** Every kind of step, to pick one. */
export function StepKinds({ onPick }: { onPick: (kind: StepKind) => void }) {
  const say = useSay();
  return (
    <ul>
      {(Object.keys(WHAT) as StepKind[])
        .filter((k) => k in FRESH)
        .map((k) => (
          <li key={k} className="border-rule border-b last:border-b-0">
            <button
              type="button"
              onClick={() => onPick(k)}
              className="flex min-h-14 w-full items-center gap-3 px-4 text-left hover:bg-butter hover:text-on-butter focus-visible:bg-butter focus-visible:text-on-butter"
            >
              <b className="w-36 shrink-0">{say(stepVerb(k))}</b>
              <span>{say(WHAT[k])}</span>
            </button>
          </li>
        ))}
    </ul>
  );
}
