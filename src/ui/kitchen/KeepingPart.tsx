'use client';

import { Plus, ShieldPlus } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { PLACE_KINDS } from '../../core/kitchen/keeping';
import { term } from '../../core/message/term';
import { RULE_SETS, RULES, type RuleSetId } from '../../core/safety/rules';
import { Field, Pick } from '../shared/form/Field';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';
import type { KitchenForm } from './form/form';
import { CARD, type PartProps } from './form/part';
import { useFormUnits } from './form/useFormUnits';
import { NameRow } from './NameRow';

/** Whose rules, what the kitchen asks beyond them, and what soup is kept in and at. */
export function KeepingPart({ problemAt }: PartProps) {
  return (
    <div className="grid gap-4 min-[1100px]:grid-cols-[minmax(0,25rem)_1fr]">
      <RulesCard problemAt={problemAt} />
      <div className="grid content-start gap-4">
        <PansCard problemAt={problemAt} />
        <PlacesCard problemAt={problemAt} />
      </div>
    </div>
  );
}

const at = (path: string) => `keeping.${path}` as 'keeping.hot';

/** What a set of rules asks, with its source, and the field that asks for more. */
function useRows(set: string) {
  const say = useSay();
  const degrees = useFormUnits().of('celsius').unit;
  const rule = RULES[(RULE_SETS as readonly string[]).includes(set) ? (set as RuleSetId) : 'fda'];
  return [
    {
      key: 'hot',
      label: say('Kept hot at, {unit}', { unit: degrees }),
      is: say('Hot at or over {c}', { c: { celsius: rule.hot.atLeast } }),
      source: rule.hot.source,
    },
    {
      key: 'cold',
      label: say('Kept cold at, {unit}', { unit: degrees }),
      is: say('Cold at or under {c}', { c: { celsius: rule.cold.atMost } }),
      source: rule.cold.source,
    },
    {
      key: 'coolingPercent',
      label: say('Cooled in so much of the time, %'),
      is: rule.cooling.stages
        .map((s) =>
          say('{from} to {to} in {hours} h', {
            from: { celsius: rule.cooling.from },
            to: { celsius: s.to },
            hours: s.seconds / 3600,
          }),
        )
        .join(', '),
      source: rule.cooling.source,
    },
    {
      key: 'reheat',
      label: say('Reheated to, {unit}', { unit: degrees }),
      is: say('Reheated to {c} for {s} s within {h} h', {
        c: { celsius: rule.reheat.to },
        s: rule.reheat.forSeconds,
        h: rule.reheat.withinSeconds / 3600,
      }),
      source: rule.reheat.source,
    },
    {
      key: 'days',
      label: say('Kept for, days'),
      is: say('Kept for {days} days, the day of making the first', { days: rule.keep.days }),
      source: rule.keep.source,
    },
  ] as const;
}

type RowProps = PartProps & {
  readonly row: ReturnType<typeof useRows>[number];
  /** This kitchen asks for more than the rule. */
  readonly tighter: boolean;
};

function RuleRow({ row: { key, label, is, source }, tighter, problemAt }: RowProps) {
  const say = useSay();
  const { register } = useFormContext<KitchenForm>();
  return (
    <div className="grid grid-cols-[1fr_6.5rem] items-start gap-3 border-rule border-t pt-2">
      <p className="leading-tight">
        <b>{is}</b>
        <span className="block text-[14px] text-quiet">
          {say('{source}', { source: { opening: source } })}
        </span>
        {tighter && (
          <span className="mt-1 inline-flex items-center gap-1 font-bold text-[15px] text-chive">
            <ShieldPlus size={18} aria-hidden /> {say('this kitchen asks for more')}
          </span>
        )}
      </p>
      <Field
        id={`k-${key}`}
        label={label}
        hideLabel
        inputMode="decimal"
        placeholder="–"
        {...register(at(key))}
        problem={problemAt(`keeping.${key}`)}
        className="figures"
      />
    </div>
  );
}

/** The set of rules with each figure and its source; a field beside it tightens, never loosens. */
function RulesCard({ problemAt }: PartProps) {
  const say = useSay();
  const { register, control } = useFormContext<KitchenForm>();
  const keeping = useWatch({ control, name: 'keeping' });
  return (
    <section aria-labelledby="k-rules" className={`${CARD} grid content-start gap-3`}>
      <h2 id="k-rules" className="font-bold text-[21px]">
        {say('Rules')}
      </h2>
      <Pick
        id="k-rules-set"
        label={say('Rules of')}
        {...register('keeping.rules')}
        problem={problemAt('keeping.rules')}
      >
        {RULE_SETS.map((id) => (
          <option key={id} value={id}>
            {say('{name}, {of}', { name: RULES[id].name, of: RULES[id].of })}
          </option>
        ))}
      </Pick>
      <p className="text-[15px]">
        {say(
          'Every figure is from memory: hold it against the text. Above all of them the local code and licensed practice decide. A kitchen may ask for more, never for less.',
        )}
      </p>
      <p className="grid grid-cols-[1fr_6.5rem] gap-3 font-bold text-[15px]">
        <span>{say('The rule')}</span>
        <span>{say('Stricter here')}</span>
      </p>
      {useRows(keeping.rules).map((row) => (
        <RuleRow key={row.key} row={row} tighter={keeping[row.key].trim() !== ''} problemAt={problemAt} />
      ))}
      <div className="grid grid-cols-3 gap-3 border-rule border-t pt-2">
        <Field
          id="k-probe-every"
          label={say('Probed every, min')}
          inputMode="numeric"
          {...register('keeping.probeEvery')}
          problem={problemAt('keeping.probeEvery')}
          className="figures"
        />
        <Field
          id="k-day-ends"
          label={say('A day ends at, hour')}
          inputMode="numeric"
          {...register('keeping.dayEnds')}
          problem={problemAt('keeping.dayEnds')}
          className="figures"
        />
        <Field
          id="k-wands"
          label={say('Ice wands')}
          inputMode="numeric"
          {...register('keeping.wands')}
          problem={problemAt('keeping.wands')}
          className="figures"
        />
      </div>
    </section>
  );
}

/** Pans and tubs by their inside measures. */
function PansCard({ problemAt }: PartProps) {
  const say = useSay();
  const { register, control } = useFormContext<KitchenForm>();
  const { fields, append, remove } = useFieldArray({ control, name: 'keeping.pans', keyName: 'key' });
  const pans = useWatch({ control, name: 'keeping.pans' });
  return (
    <section aria-labelledby="k-pans" className={`${CARD} grid content-start gap-3`}>
      <h2 id="k-pans" className="font-bold text-[21px]">
        {say('Pans and tubs, inside measures')}
      </h2>
      <ul className="grid gap-3">
        {fields.map((f, n) => (
          <li
            key={f.key}
            className="grid gap-2 border-rule border-b pb-3 min-[900px]:grid-cols-[1fr_20rem] min-[900px]:items-end"
          >
            <NameRow
              id={`pan-${n}-name`}
              label={say('Name')}
              {...register(`keeping.pans.${n}.name`)}
              problem={problemAt(`keeping.pans.${n}.name`)}
              what={pans[n]?.name || say('this pan')}
              only={false}
              onRemove={() => remove(n)}
            />
            <div className="grid grid-cols-4 gap-2">
              {(
                [
                  ['lengthMm', say('Long, mm')],
                  ['widthMm', say('Wide, mm')],
                  ['depthMm', say('Deep, mm')],
                  ['count', say('How many')],
                ] as const
              ).map(([key, label]) => (
                <Field
                  key={key}
                  id={`pan-${n}-${key}`}
                  label={label}
                  inputMode="numeric"
                  {...register(`keeping.pans.${n}.${key}`)}
                  problem={problemAt(`keeping.pans.${n}.${key}`)}
                  className="figures px-2"
                />
              ))}
            </div>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className={`${BUTTON} w-fit`}
        onClick={() => append({ id: '', name: '', lengthMm: '', widthMm: '', depthMm: '', count: '1' })}
      >
        <Plus size={20} aria-hidden /> {say('Pan')}
      </button>
    </section>
  );
}

/** Where soup is kept hot, cooled and stored, with the temperature each is kept at. */
function PlacesCard({ problemAt }: PartProps) {
  const say = useSay();
  const { register, control } = useFormContext<KitchenForm>();
  const { fields, append, remove } = useFieldArray({ control, name: 'keeping.places', keyName: 'key' });
  const places = useWatch({ control, name: 'keeping.places' });
  const units = useFormUnits();
  return (
    <section aria-labelledby="k-places" className={`${CARD} grid content-start gap-3`}>
      <h2 id="k-places" className="font-bold text-[21px]">
        {say('Places')}
      </h2>
      <ul className="grid gap-3 min-[1300px]:grid-cols-2">
        {fields.map((f, n) => (
          <li key={f.key} className="grid gap-2 border-rule border-b pb-3">
            <NameRow
              id={`place-${n}-name`}
              label={say('Name')}
              {...register(`keeping.places.${n}.name`)}
              problem={problemAt(`keeping.places.${n}.name`)}
              what={places[n]?.name || say('this place')}
              only={fields.length === 1}
              onRemove={() => remove(n)}
            />
            <div className="grid grid-cols-[1fr_7rem] gap-2">
              <Pick
                id={`place-${n}-kind`}
                label={say('What it is')}
                {...register(`keeping.places.${n}.kind`)}
              >
                {PLACE_KINDS.map((k) => (
                  <option key={k} value={k}>
                    {say(term(k))}
                  </option>
                ))}
              </Pick>
              <Field
                id={`place-${n}-celsius`}
                label={say('Kept at, {unit}', { unit: units.of('celsius').unit })}
                inputMode="decimal"
                {...register(`keeping.places.${n}.celsius`)}
                problem={problemAt(`keeping.places.${n}.celsius`)}
                className="figures"
              />
            </div>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className={`${BUTTON} w-fit`}
        onClick={() => append({ id: '', name: '', kind: 'fridge', celsius: units.of('celsius').text(4) })}
      >
        <Plus size={20} aria-hidden /> {say('Place')}
      </button>
    </section>
  );
}
