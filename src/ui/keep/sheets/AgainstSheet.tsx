'use client';

import { TriangleAlert } from 'lucide-react';
import type { Deviation, DeviationKind } from '../../../core/keep/safe/deviation';
import { rulesIn } from '../../../core/keep/standing';
import type { House } from '../../../core/kitchen/house';
import { type Message, message } from '../../../core/message/message';
import type { RuleSet, Sourced } from '../../../core/safety/rules';
import { Field } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON, PRIMARY } from '../../shared/styles';

/** What may be done instead of going on. */
export type Instead = 'read' | 'reheated' | 'wrong';

type Props = {
  readonly house: House;
  readonly against: readonly Deviation[];
  /** Whether it is a line that is not written yet, or something that stands in the record already. */
  readonly before: boolean;
  /** Writes it down with what was done. */
  readonly onGoOn: (what: string) => void;
  readonly onInstead: (what: Instead) => void;
  readonly onClose: () => void;
};

/** Where the rule stands that a deviation goes against. */
const SOURCE: Readonly<Record<DeviationKind, (rule: RuleSet) => Sourced>> = {
  cooling: (r) => r.cooling,
  'stored warm': (r) => r.cold,
  'kept hot again': (r) => r.reheat,
  hot: (r) => r.hot,
  cold: (r) => r.cold,
  reheating: (r) => r.reheat,
  date: (r) => r.keep,
  'used all the same': (r) => r.cooling,
  warmer: (r) => r.cooling,
};

/** What is usually said of each, one tap each. */
const USUAL: Readonly<Partial<Record<DeviationKind, readonly Message[]>>> = {
  warmer: [message('another pan: this one counts'), message('stirred through, then read')],
  cold: [message('moved to another fridge'), message('door shut, read again soon')],
  date: [message('tasted and boiled, served today'), message('the date was read wrong')],
};
const OTHERWISE: readonly Message[] = [
  message('read with another probe: it was cold'),
  message('goes on cooling there, read again soon'),
  message('the lead decides'),
];

/** What goes against a rule: the rule, what can be done instead, and that it is gone on with all the same, with what was done. */
export function AgainstSheet({ house, against, before, onGoOn, onInstead, onClose }: Props) {
  const say = useSay();
  const rule = rulesIn(house);
  const kinds = new Set(against.map((d) => d.kind));
  const warmer = kinds.has('warmer');
  const reading = warmer || kinds.has('cold');
  return (
    <Sheet
      open
      onOpenChange={(open) => open || onClose()}
      title={warmer ? say('Hotter than before?') : say('Against the rule')}
    >
      <div className="grid gap-4 p-4">
        <ul className="grid gap-2 border-2 border-tomato px-3 py-2">
          {against.map((d) => (
            <li key={d.id} className="flex gap-2 leading-tight">
              <TriangleAlert className="mt-0.5 shrink-0 text-tomato" size={22} aria-hidden />
              <span>
                <b className="block text-[20px]">{say('{what}.', { what: { opening: d.says } })}</b>
                <span className="text-[15px] text-quiet">
                  {say('{name} {of}, {source}, from memory; the local code decides.', {
                    name: rule.name,
                    of: rule.of,
                    source: SOURCE[d.kind](rule).source,
                  })}
                </span>
              </span>
            </li>
          ))}
        </ul>
        <div className="grid gap-2 min-[560px]:grid-cols-2">
          {before && reading ? (
            <button type="button" className={PRIMARY} onClick={onClose}>
              {say('A slip, or the wrong probe: not written')}
            </button>
          ) : (
            <button type="button" className={PRIMARY} onClick={() => onInstead('read')}>
              {say('Enter a temperature')}
            </button>
          )}
          <button type="button" className={BUTTON} onClick={() => onInstead('reheated')}>
            {say('It was reheated to {to}', { to: { celsius: rule.reheat.to } })}
          </button>
          <button type="button" className={BUTTON} onClick={() => onInstead('wrong')}>
            {say('Throw it away')}
          </button>
        </div>
        <GoOn against={against} before={before} onGoOn={onGoOn} />
      </div>
    </Sheet>
  );
}

/** It is gone on with: with what was done about it, one tap or typed. */
function GoOn({ against, before, onGoOn }: Pick<Props, 'against' | 'before' | 'onGoOn'>) {
  const say = useSay();
  const kinds = new Set(against.map((d) => d.kind));
  const usual = [...new Set([...kinds].flatMap((k) => USUAL[k] ?? OTHERWISE))];
  const f = useTyped(
    { what: '' },
    ({ what }) => what.trim() || new Wrong('what', say('Write what was done.')),
    onGoOn,
  );
  return (
    <Form className="grid gap-3 border-ink border-t-2 pt-3" onSubmit={f.send}>
      <h3 className="font-bold text-[19px]">
        {before ? say('Write it down all the same') : say('What was done about it')}
      </h3>
      <div className="flex flex-wrap gap-2">
        {usual.map((u) => (
          <button key={u.text} type="button" className={BUTTON} onClick={() => onGoOn(say(u))}>
            {say(u)}
          </button>
        ))}
      </div>
      <div className="grid gap-3 min-[560px]:grid-cols-[1fr_auto] min-[560px]:items-end">
        <Field
          id="against-what"
          label={say('What was done')}
          maxLength={300}
          {...f.field('what')}
          hint={say('It stands in the record beside it, with the time and who.')}
        />
        <button type="submit" className={BUTTON}>
          {say('Write it down')}
        </button>
      </div>
      {against[0]?.known === false && !kinds.has('warmer') && (
        <p className="text-[15px] text-quiet">
          {say(
            'Nobody can tell whether it was kept within the rule. What cannot be shown counts as not kept.',
          )}
        </p>
      )}
    </Form>
  );
}
