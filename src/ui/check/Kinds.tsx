import { clsx } from 'clsx';
import { Printer, Ruler } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { flowError } from '../../core/flow/readings/repeated';
import { Faces } from '../frame/Faces';
import { type FlowTestMethod, readWords } from '../shared/flowTests';
import { Pick } from '../shared/form/Field';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { BUTTON } from '../shared/styles';

type Props = {
  readonly kinds: readonly FlowTestMethod[];
  readonly kind: FlowTestMethod;
  /** mPa·s wanted in the bowl; null for a soup that is of no batch. */
  readonly target: number | null;
  /** What a test would read on target; null when it cannot tell. */
  readonly tells: (kind: FlowTestMethod) => number | null;
  readonly onChoose: (id: string) => void;
  readonly pots: readonly { readonly id: string; readonly name: string }[];
  readonly batchId: string | null;
};

/** Of which pot, and by which test. */
export function Kinds({ kinds, kind, target, tells, onChoose, pots, batchId }: Props) {
  const say = useSay();
  const router = useRouter();
  return (
    <section
      aria-label={say('The test')}
      className="shrink-0 border-ink bg-ground px-4 py-3 max-[1100px]:border-b-2 min-[1100px]:overflow-y-auto min-[1100px]:border-r-2"
    >
      <div className="mb-3">
        <Faces batchId={batchId} />
      </div>
      <Pick
        id="check-pot"
        label={say('Of')}
        value={batchId ?? ''}
        onChange={(ev) =>
          router.push(ev.target.value ? `/check?batch=${ev.target.value}` : '/check?batch=none')
        }
      >
        {pots.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
        <option value="">{say('something not on the stove')}</option>
      </Pick>
      <div className="mt-3 min-[720px]:hidden">
        <Pick
          id="check-kind"
          label={say('Test')}
          value={kind.id}
          onChange={(ev) => onChoose(ev.target.value)}
        >
          {kinds.map((k) => (
            <option key={k.id} value={k.id}>
              {say.either(k.words)}
            </option>
          ))}
        </Pick>
      </div>
      <fieldset className="mt-3 max-[720px]:hidden">
        <legend className="mb-1 font-bold">{say('Test')}</legend>
        <div className="grid gap-1 max-[1100px]:grid-cols-2">
          {kinds.map((k) => (
            <KindButton
              key={k.id}
              kind={k}
              on={k.id === kind.id}
              target={target}
              tells={tells}
              onChoose={onChoose}
            />
          ))}
        </div>
      </fieldset>
      <div className="mt-3 grid grid-cols-2 gap-1.5">
        <Link href="/check/funnel" className={`${BUTTON} px-1 text-[16px] leading-tight`}>
          <Ruler size={20} aria-hidden /> {say('Calibrate')}
        </Link>
        <Link href="/check/line-spread" className={`${BUTTON} px-1 text-[16px] leading-tight`}>
          <Printer size={20} aria-hidden /> {say('Spread sheet')}
        </Link>
      </div>
    </section>
  );
}

type One = Pick<Props, 'kind' | 'target' | 'tells' | 'onChoose'> & { readonly on: boolean };

/** A test, with what it would read on target and how good it is. */
function KindButton({ kind: k, on, target, tells, onChoose }: One) {
  const say = useSay();
  const would = target === null ? null : tells(k);
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={() => onChoose(k.id)}
      className={clsx(
        'min-h-12 rounded-sm border-2 border-ink px-3 text-left leading-tight',
        on ? 'bg-ink text-surface' : 'bg-surface',
      )}
    >
      <b className="block">{say.either(k.words)}</b>
      <span className="block text-[15px]">
        {k.test === null
          ? say('a level, no viscosity')
          : target === null
            ? say('good to {flowError} %', { flowError: Math.round(flowError(k.test, 1) * 100) })
            : would === null
              ? say('cannot tell this target')
              : say('{would} on target, good to {flowError} %', {
                  would: readWords(k, would, say.reader),
                  flowError: Math.round(flowError(k.test, 1) * 100),
                })}
      </span>
    </button>
  );
}
