'use client';

import { panHolds } from '../../../core/heat/cool/body';
import type { CoolingWay } from '../../../core/keep/cool/ways';
import type { Lot, LotState } from '../../../core/keep/lot';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { timeOfDay } from '../../../core/units/clock';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { useAsked } from '../../shared/hooks/useWorker';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';
import { chanceWords } from '../keepWords';
import type { KeeperHere } from '../useKeeper';

type Props = {
  readonly house: House;
  readonly lot: Lot;
  readonly state: LotState;
  readonly now: number;
  readonly working: KeeperHere;
  readonly onWay: (way: CoolingWay) => void;
  readonly onClose: () => void;
};

type Typed = {
  holder: string;
  count: string;
  place: string;
  lid: boolean;
  stir: string;
  wands: string;
  ice: string;
};

const asItStands = ({ way, container, place }: LotState): Typed => {
  const into = way?.into ?? container;
  return {
    holder: into.kind === 'pot' ? `pot ${into.vessel}` : into.pan,
    count: into.kind === 'pans' ? String(into.count) : '4',
    place: way?.place ?? place,
    lid: way?.lid ?? false,
    stir: way?.stirEvery ? String(way.stirEvery) : '',
    wands: way?.wands ? String(way.wands) : '',
    ice: '',
  };
};

/** The way as it is typed, or what is wrong with it. */
function useReadWay({ keeping }: House, { ml }: LotState) {
  const say = useSay();
  return (t: Typed): CoolingWay | Wrong<keyof Typed> => {
    const n = typedNumber(t.count);
    const pan = keeping.pans.find((p) => p.id === t.holder);
    if (pan) {
      const least = Math.ceil(ml / panHolds(pan));
      if (typeof n !== 'number' || !Number.isInteger(n) || n < least || n > pan.count)
        return new Wrong(
          'count',
          say('“{count}” cannot be: {least} at the least hold it, and the kitchen has {most}.', {
            count: t.count,
            least,
            most: pan.count,
          }),
        );
    }
    const minutes = t.stir.trim() === '' ? undefined : typedNumber(t.stir);
    if (minutes !== undefined && !(typeof minutes === 'number' && minutes >= 1 && minutes <= 120))
      return new Wrong('stir', say('Minutes between two stirrings are a number from 1 to 120.'));
    const bottles = t.wands.trim() === '' ? undefined : typedNumber(t.wands);
    const { wands: most } = keeping;
    if (
      bottles !== undefined &&
      !(typeof bottles === 'number' && Number.isInteger(bottles) && bottles >= 0 && bottles <= most)
    )
      return new Wrong('wands', say('The kitchen has {most} ice wands.', { most }));
    const kilos = t.ice.trim() === '' ? undefined : typedNumber(t.ice);
    if (kilos !== undefined && !(typeof kilos === 'number' && kilos > 0 && kilos * 1000 < ml * 0.6))
      return new Wrong('ice', say('Ice is less than {most}.', { most: { g: Math.floor(ml * 0.6) } }));
    return {
      into: pan
        ? { kind: 'pans', pan: pan.id, count: n as number }
        : { kind: 'pot', vessel: t.holder.replace(/^pot /, '') },
      place: t.place,
      lid: t.lid,
      ...(minutes !== undefined && { stirEvery: minutes }),
      ...(bottles !== undefined && { wands: bottles }),
      ...(kilos !== undefined && { iceG: kilos * 1000 }),
    };
  };
}

/** How it is cooled: in what, where, covered or not, stirred, with wands or ice in it. */
export function WaySheet(props: Props) {
  const { house, state, onWay, onClose } = props;
  const say = useSay();
  const { keeping, vessels } = house;
  const read = useReadWay(house, state);
  const f = useTyped(asItStands(state), read, onWay);
  const isPan = keeping.pans.some((p) => p.id === f.typed.holder);
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('How it is cooled')}>
      <Form onSubmit={f.send}>
        <div className="grid gap-4 min-[560px]:grid-cols-[1fr_8rem]">
          <Pick id="way-holder" label={say('In what')} {...f.field('holder')}>
            {keeping.pans.map((p) => (
              <option key={p.id} value={p.id}>
                {say('{pan}, {deep} mm deep', { pan: p.name, deep: p.depthMm })}
              </option>
            ))}
            {vessels.map((v) => (
              <option key={v.id} value={`pot ${v.id}`}>
                {v.name}
              </option>
            ))}
          </Pick>
          {isPan && (
            <Field id="way-count" label={say('How many')} inputMode="numeric" {...f.field('count')} />
          )}
        </div>
        <Pick id="way-place" label={say('Where')} {...f.field('place')}>
          {keeping.places
            .filter((p) => p.kind !== 'bath' && p.kind !== 'ring')
            .map((p) => (
              <option key={p.id} value={p.id}>
                {say('{place}, {celsius}', { place: p.name, celsius: { celsius: p.celsius } })}
              </option>
            ))}
        </Pick>
        <Tick id="way-lid" label={say('Covered: slower, and nothing falls in')} {...f.tick('lid')} />
        <Helps f={f} most={keeping.wands} />
        <Foreseen {...props} way={read(f.typed)} />
        <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Cool it so from now on')}
        </button>
      </Form>
    </Sheet>
  );
}

type HelpsProps = { readonly f: ReturnType<typeof useTyped<Typed, CoolingWay>>; readonly most: number };

/** What helps it along: a spoon, wands, ice. */
function Helps({ f, most }: HelpsProps) {
  const say = useSay();
  return (
    <div className="grid gap-4 min-[560px]:grid-cols-3">
      <Field
        id="way-stir"
        label={say('Stirred every, min')}
        inputMode="numeric"
        {...f.field('stir')}
        hint={say('empty: not stirred')}
      />
      <Field
        id="way-wands"
        label={say('Ice wands')}
        inputMode="numeric"
        {...f.field('wands')}
        hint={say('{n} in the kitchen', { n: most })}
      />
      <MetricField
        id="way-ice"
        words={message('Ice into it, {unit}')}
        what="kilos"
        {...f.metric('ice')}
        hint={say('only as liquid held back')}
      />
    </div>
  );
}

type ForeseenProps = Omit<Props, 'house' | 'state' | 'onWay' | 'onClose'> & {
  readonly way: CoolingWay | Wrong<keyof Typed>;
};

/** When it will be cold so, and how likely that is within every limit. */
function Foreseen({ lot, now, working, way }: ForeseenProps) {
  const say = useSay();
  const key = way instanceof Wrong ? null : `${lot.id} ${working.known} ${JSON.stringify(way)}`;
  // Not at every key stroke.
  const answered = useAsked(working.keeper, 'way', key, () => ({ lot, now, way: way as CoolingWay }), 250);
  const one = answered.key === key ? answered.pieces[0] : undefined;
  const last = one?.forecast.verdict.stages.at(-1);
  if (!one || !last) return null;
  return (
    <p role="status" className="bg-ground px-3 py-2 text-[18px]">
      <b className={one.forecast.chance < 0.1 ? 'text-tomato' : ''}>
        {one.forecast.chance < 0.1
          ? say('This fails')
          : say('Keeps every limit {chance}', { chance: chanceWords(one.forecast.chance) })}
      </b>{' '}
      {Number.isFinite(last.met)
        ? say('{to} at {at}, {mm} mm deep', {
            to: { celsius: last.to },
            at: timeOfDay(new Date((answered.question?.now ?? now) + last.met * 1000)),
            mm: Math.round(one.mm),
          })
        : say('not cold within the hours looked at')}
    </p>
  );
}
