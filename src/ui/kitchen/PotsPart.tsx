'use client';

import { Plus } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { FILL_LIMIT, MATERIALS } from '../../core/heat/vessel';
import { term } from '../../core/message/term';
import { spaced } from '../../core/units/shown/format';
import { parseNumber } from '../../core/units/typed/parse';
import { PotSection } from '../shared/draw/PotSection';
import { Field, Pick } from '../shared/form/Field';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { BUTTON } from '../shared/styles';
import type { KitchenForm } from './form/form';
import { CARD, type PartProps } from './form/part';
import { useFormUnits } from './form/useFormUnits';
import { NameRow } from './NameRow';

const litresOf = (diameterCm: string, heightCm: string): number =>
  (Math.PI * (parseNumber(diameterCm) / 2) ** 2 * parseNumber(heightCm)) / 1000;

/** Pots, each drawn to the same scale. */
export function PotsPart({ problemAt }: PartProps) {
  const say = useSay();
  const { control } = useFormContext<KitchenForm>();
  const { fields, append, remove } = useFieldArray({ control, name: 'vessels', keyName: 'key' });
  const pots = useWatch({ control, name: 'vessels' });
  const sizes = pots
    .flatMap((v) => [parseNumber(v.diameterCm), parseNumber(v.heightCm)])
    .filter((n) => n > 0);
  const mostMm = Math.max(100, ...sizes.map((n) => n * 10));
  return (
    <>
      <ul className="grid gap-3 min-[1100px]:grid-cols-2">
        {fields.map((f, n) => (
          <Pot
            key={f.key}
            n={n}
            id={f.id}
            pot={pots[n]}
            mostMm={mostMm}
            only={fields.length === 1}
            onRemove={() => remove(n)}
            problemAt={problemAt}
          />
        ))}
      </ul>
      <button
        type="button"
        className={`mt-3 ${BUTTON}`}
        onClick={() =>
          append({
            id: '',
            name: '',
            diameterCm: '',
            heightCm: '',
            material: 'stainless steel',
            massKg: '',
            lossFactor: '',
          })
        }
      >
        <Plus size={20} aria-hidden /> {say('Pot')}
      </button>
    </>
  );
}

type PotForm = KitchenForm['vessels'][number];

type PotProps = PartProps & {
  readonly n: number;
  /** Empty until it was saved. */
  readonly id: string;
  readonly pot: PotForm | undefined;
  readonly mostMm: number;
  readonly only: boolean;
  readonly onRemove: () => void;
};

function Pot({ n, id, pot, mostMm, only, onRemove, problemAt }: PotProps) {
  const say = useSay();
  const { register } = useFormContext<KitchenForm>();
  const units = useFormUnits();
  const at = (key: string) => problemAt(`vessels.${n}.${key}`);
  return (
    <li className={`${CARD} flex gap-3 max-[720px]:flex-col`}>
      <PotSection
        diameterMm={parseNumber(pot?.diameterCm ?? '') * 10}
        heightMm={parseNumber(pot?.heightCm ?? '') * 10}
        mostMm={mostMm}
      />
      <div className="grid min-w-0 flex-1 gap-2">
        <NameRow
          id={`pot-${n}-name`}
          label={say('Name')}
          {...register(`vessels.${n}.name`)}
          problem={at('name')}
          what={pot?.name || say('this pot')}
          only={only}
          onRemove={onRemove}
        />
        <div className="grid grid-cols-3 gap-2">
          <Field
            id={`pot-${n}-diameter`}
            label={say('Across, cm')}
            inputMode="decimal"
            {...register(`vessels.${n}.diameterCm`)}
            problem={at('diameterCm')}
            className="figures"
          />
          <Field
            id={`pot-${n}-height`}
            label={say('High, cm')}
            inputMode="decimal"
            {...register(`vessels.${n}.heightCm`)}
            problem={at('heightCm')}
            className="figures"
          />
          <Field
            id={`pot-${n}-mass`}
            label={say('Empty, {unit}', { unit: units.of('kg').unit })}
            inputMode="decimal"
            {...register(`vessels.${n}.massKg`)}
            problem={at('massKg')}
            className="figures"
          />
        </div>
        <Made n={n} pot={pot} problem={at('material')} />
        {id && <Tested id={id} pot={pot} />}
      </div>
    </li>
  );
}

type MadeProps = Pick<PotProps, 'n' | 'pot'> & { readonly problem: string | undefined };

/** What it is made of, and how much it takes. */
function Made({ n, pot, problem }: MadeProps) {
  const say = useSay();
  const { register } = useFormContext<KitchenForm>();
  const rim = pot ? litresOf(pot.diameterCm, pot.heightCm) : Number.NaN;
  return (
    <div className="grid grid-cols-[1fr_1fr] items-center gap-3 leading-tight">
      <Pick
        id={`pot-${n}-material`}
        label={say('What {name} is made of', { name: pot?.name || say('this pot') })}
        hideLabel
        {...register(`vessels.${n}.material`)}
        problem={problem}
      >
        {Object.keys(MATERIALS).map((m) => (
          <option key={m} value={m}>
            {say(term(m))}
          </option>
        ))}
      </Pick>
      <p>
        {Number.isFinite(rim)
          ? say.rich('<b>{rim}</b> to the rim, fill to <b>{rim2}</b>.', {
              b: (text) => <b className="figures">{text}</b>,
              rim: { ml: rim * 1000 },
              rim2: { ml: rim * FILL_LIMIT * 1000 },
            })
          : say('Inside measures, please.')}
      </p>
    </div>
  );
}

/** What a water test found of it, and the way to one. */
function Tested({ id, pot }: Pick<PotProps, 'id' | 'pot'>) {
  const say = useSay();
  return (
    <p className="flex flex-wrap items-center justify-between gap-2">
      <span>
        {pot?.lossFactor ? (
          say.rich('Water test: loses <b>{number}</b> × the model', {
            b: (text) => <b className="figures">{text}</b>,
            number: spaced(Number(pot.lossFactor), 2),
          })
        ) : (
          <span className="text-quiet">{say('No water test yet')}</span>
        )}
      </span>
      <Link href={`/kitchen/water-test?pot=${id}`} className={BUTTON}>
        {say('Water test')}
      </Link>
    </p>
  );
}
