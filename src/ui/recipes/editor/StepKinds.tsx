import { stepVerb } from '../../../core/formats/recipeWords';
import { FRESH, type StepKind } from './form/spec';

const WHAT: { readonly [K in StepKind]: string } = {
  render: 'fat out of bacon or sausage',
  sweat: 'vegetables in fat, to translucent or gold',
  roux: 'flour and fat cooked apart or in the pot',
  dust: 'flour over what was sweated',
  add: 'anything into the pot',
  'bring-to': 'the simmer, the boil or a temperature',
  simmer: 'for minutes, or until tender',
  reduce: 'boil down, by share, level or minutes',
  puree: 'all or part of it, or to thickness',
  strain: 'pieces out',
  thicken: 'slurry, kneaded butter, cooked roux, starch in cream',
  temper: 'dairy or a liaison, warmed by ladles',
  poach: 'late proteins, to their centre',
  season: 'salt last, then pepper and herbs',
  rest: 'off the fire',
  hold: 'hot, for service',
  chill: 'in pans, a blast or an ice bath',
  reheat: 'from cold',
  keep: 'cold or frozen, with its date mark',
};

/** Every kind of step, to pick one. */
export function StepKinds({ onPick }: { onPick: (kind: StepKind) => void }) {
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
              <b className="w-36 shrink-0">{stepVerb(k)}</b>
              <span>{WHAT[k]}</span>
            </button>
          </li>
        ))}
    </ul>
  );
}
