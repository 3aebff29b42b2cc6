'use client';

import { useState } from 'react';
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

/** How it is cooled: in what, where, covered or not, stirred, with wands or ice in it. */
export function WaySheet({ house, lot, state, now, working, onWay, onClose }: Props) {
  const say = useSay();
  const { keeping, vessels } = house;
  const { way } = state;
  const into = way?.into ?? state.container;
  const [holder, setHolder] = useState(into.kind === 'pot' ? `pot ${into.vessel}` : into.pan);
  const [count, setCount] = useState(into.kind === 'pans' ? String(into.count) : '4');
  const [place, setPlace] = useState(way?.place ?? state.place);
  const [lid, setLid] = useState(way?.lid ?? false);
  const [stir, setStir] = useState(way?.stirEvery ? String(way.stirEvery) : '');
  const [wands, setWands] = useState(way?.wands ? String(way.wands) : '');
  const [ice, setIce] = useState('');
  const [problem, setProblem] = useState<{ field: string; says: string } | null>(null);
  const pan = keeping.pans.find((p) => p.id === holder);
  const wrong = (field: string) => (problem?.field === field ? problem.says : undefined);
  /** The way as it is typed, or what is wrong with it. */
  const composed = (): CoolingWay | { readonly field: string; readonly says: string } => {
    const n = typedNumber(count);
    if (pan) {
      const least = Math.ceil(state.ml / panHolds(pan));
      if (typeof n !== 'number' || !Number.isInteger(n) || n < least || n > pan.count)
        return {
          field: 'count',
          says: say('“{count}” cannot be: {least} at the least hold it, and the kitchen has {most}.', {
            count,
            least,
            most: pan.count,
          }),
        };
    }
    const minutes = stir.trim() === '' ? undefined : typedNumber(stir);
    if (minutes !== undefined && !(typeof minutes === 'number' && minutes >= 1 && minutes <= 120))
      return { field: 'stir', says: say('Minutes between two stirrings are a number from 1 to 120.') };
    const bottles = wands.trim() === '' ? undefined : typedNumber(wands);
    const { wands: most } = keeping;
    if (
      bottles !== undefined &&
      !(typeof bottles === 'number' && Number.isInteger(bottles) && bottles >= 0 && bottles <= most)
    )
      return { field: 'wands', says: say('The kitchen has {most} ice wands.', { most }) };
    const kilos = ice.trim() === '' ? undefined : typedNumber(ice);
    if (kilos !== undefined && !(typeof kilos === 'number' && kilos > 0 && kilos * 1000 < state.ml * 0.6))
      return {
        field: 'ice',
        says: say('Ice is less than {most}.', {
          most: { g: Math.floor(state.ml * 0.6) },
        }),
      };
    return {
      into: pan
        ? { kind: 'pans', pan: pan.id, count: n as number }
        : { kind: 'pot', vessel: holder.replace(/^pot /, '') },
      place,
      lid,
      ...(minutes !== undefined && { stirEvery: minutes as number }),
      ...(bottles !== undefined && { wands: bottles as number }),
      ...(kilos !== undefined && { iceG: (kilos as number) * 1000 }),
    };
  };
  const typed = composed();
  const key = 'into' in typed ? `${lot.id} ${working.known} ${JSON.stringify(typed)}` : null;
  // Not at every key stroke.
  const answered = useAsked(working.keeper, 'way', key, () => ({ lot, now, way: typed as CoolingWay }), 250);
  const one = answered.key === key ? answered.pieces[0] : undefined;
  const last = one?.forecast.verdict.stages.at(-1);
  const take = () => {
    if ('into' in typed) onWay(typed);
    else setProblem(typed);
  };
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('How it is cooled')}>
      <Form onSubmit={take}>
        <div className="grid gap-4 min-[560px]:grid-cols-[1fr_8rem]">
          <Pick
            id="way-holder"
            label={say('In what')}
            value={holder}
            onChange={(e) => setHolder(e.target.value)}
          >
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
          {pan && (
            <Field
              id="way-count"
              label={say('How many')}
              inputMode="numeric"
              value={count}
              onChange={(e) => setCount(e.target.value)}
              problem={wrong('count')}
            />
          )}
        </div>
        <Pick id="way-place" label={say('Where')} value={place} onChange={(e) => setPlace(e.target.value)}>
          {keeping.places
            .filter((p) => p.kind !== 'bath' && p.kind !== 'ring')
            .map((p) => (
              <option key={p.id} value={p.id}>
                {say('{place}, {celsius}', { place: p.name, celsius: { celsius: p.celsius } })}
              </option>
            ))}
        </Pick>
        <Tick
          id="way-lid"
          label={say('Covered: slower, and nothing falls in')}
          checked={lid}
          onChange={(e) => setLid(e.target.checked)}
        />
        <div className="grid gap-4 min-[560px]:grid-cols-3">
          <Field
            id="way-stir"
            label={say('Stirred every, min')}
            inputMode="numeric"
            value={stir}
            onChange={(e) => setStir(e.target.value)}
            problem={wrong('stir')}
            hint={say('empty: not stirred')}
          />
          <Field
            id="way-wands"
            label={say('Ice wands')}
            inputMode="numeric"
            value={wands}
            onChange={(e) => setWands(e.target.value)}
            problem={wrong('wands')}
            hint={say('{n} in the kitchen', { n: keeping.wands })}
          />
          <MetricField
            id="way-ice"
            words={message('Ice into it, {unit}')}
            what="kilos"
            value={ice}
            onValue={setIce}
            problem={wrong('ice')}
            hint={say('only as liquid held back')}
          />
        </div>
        {one && last && (
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
        )}
        <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Cool it so from now on')}
        </button>
      </Form>
    </Sheet>
  );
}
