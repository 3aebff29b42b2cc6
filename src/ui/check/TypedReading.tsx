import { type FlowTestMethod, unitOf } from '../shared/flowTests';
import { Field } from '../shared/form/Field';
import { Form } from '../shared/form/Form';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';

type Props = {
  readonly kind: FlowTestMethod;
  readonly fahrenheit: boolean;
  readonly hotText: string;
  /** What is typed is no temperature a soup is tested at. */
  readonly wrongHot: boolean;
  readonly onHot: (text: string) => void;
  readonly typed: string;
  readonly onTyped: (text: string) => void;
  readonly onAdd: () => void;
  /** Whether anything flowed, where that is asked. */
  readonly flows: boolean;
  readonly onFlows: (flows: boolean) => void;
};

/** How hot the soup in the test is, and what it read, typed by hand. */
export function TypedReading(p: Props) {
  const say = useSay();
  const fahrenheit = p.fahrenheit ? 'yes' : 'no';
  return (
    <>
      <Form
        className="mt-3 grid grid-cols-[1fr_1fr_auto] items-end gap-2"
        onSubmit={() => {
          p.onAdd();
        }}
      >
        <Field
          id="check-hot"
          label={say('Soup in the test, {fahrenheit, select, yes {°F} other {°C}}', { fahrenheit })}
          inputMode="decimal"
          value={p.hotText}
          onChange={(ev) => p.onHot(ev.target.value)}
          problem={
            p.wrongHot
              ? say(
                  '“{hotText}” cannot be: temperature is {fahrenheit, select, yes {34 to 212 °F} other {1 to {at100}}}.',
                  { at100: { celsius: 100 }, hotText: p.hotText, fahrenheit },
                )
              : undefined
          }
          className="figures text-right font-bold text-[24px]"
        />
        <Field
          id="check-reading"
          label={say('{what}, {unit}', { what: p.kind.reads, unit: unitOf(p.kind, say.reader) })}
          inputMode="decimal"
          value={p.typed}
          onChange={(ev) => p.onTyped(ev.target.value)}
          className="figures text-right font-bold text-[24px]"
        />
        <button type="submit" className={BUTTON}>
          {say('Add')}
        </button>
      </Form>
      {p.kind.id === 'syringe' && (
        <label htmlFor="check-flows" className="mt-2 flex min-h-12 items-center gap-3">
          <input
            id="check-flows"
            type="checkbox"
            checked={!p.flows}
            onChange={(ev) => p.onFlows(!ev.target.checked)}
            className="tick size-8 rounded-sm border-2 border-ink bg-surface"
          />
          {say('Nothing flowed at all')}
        </label>
      )}
    </>
  );
}
