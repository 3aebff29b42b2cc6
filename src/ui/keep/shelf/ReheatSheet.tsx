'use client';

import { useState } from 'react';
import { rimVolume } from '../../../core/heat/vessel';
import type { KeepBody } from '../../../core/keep/events';
import type { Lot, LotState } from '../../../core/keep/lot';
import { rulesIn } from '../../../core/keep/standing';
import type { House } from '../../../core/kitchen/house';
import { mPas } from '../../../core/units/shown/format';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useSay } from '../../shared/hooks/useSay';
import { useAsked } from '../../shared/hooks/useWorker';
import { Sheet } from '../../shared/Sheet';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { spell } from '../keepWords';
import type { KeeperHere } from '../useKeeper';

type Props = {
  readonly house: House;
  readonly lot: Lot;
  readonly state: LotState;
  readonly now: number;
  readonly working: KeeperHere;
  readonly onTake: (bodies: readonly KeepBody[]) => void;
  readonly onClose: () => void;
};

/** How it is brought back: what to stir in, how long it takes on that burner, and by when it must be there. */
export function ReheatSheet({ house, lot, state, now, working, onTake, onClose }: Props) {
  const say = useSay();
  const rule = rulesIn(house).reheat;
  const fits = house.vessels.filter((v) => rimVolume(v) * 0.85 >= state.ml);
  const [vessel, setVessel] = useState((fits[0] ?? house.vessels.at(-1))?.id ?? '');
  const [burner, setBurner] = useState(house.burners[0]?.id ?? '');
  const [measured, setMeasured] = useState('');
  const [problem, setProblem] = useState<string | undefined>();
  const m = typedNumber(measured);
  const value = typeof m === 'number' && m >= 1 && m <= 20_000 ? m : undefined;
  const { keeper, known } = working;
  const key = [lot.id, known, vessel, burner, value].join(' ');
  const answered = useAsked(keeper, 'reheat', key, () => ({ lot, now, vessel, burner, measured: value }));
  const found = answered.key === key ? answered.pieces[0] : undefined;
  const again = state.reheats > 0;
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Reheat it')}>
      <Form
        onSubmit={() => {
          if (measured.trim() !== '' && value === undefined)
            return setProblem(
              say('“{measured}” cannot be: a consistency is a number from 1 to 20 000 mPa·s.', { measured }),
            );
          onTake([
            { kind: 'reheating', vessel, burner },
            ...(found && found.liquid > 0
              ? [{ kind: 'let down', ml: found.liquid, ingredient: 'water' } as const]
              : []),
          ]);
        }}
      >
        {again ? (
          <p role="alert" className="font-bold text-[19px] text-tomato">
            {say('It was reheated once: what is left is served or thrown away.')}
          </p>
        ) : (
          <>
            <div className="grid gap-4 min-[560px]:grid-cols-2">
              <Pick
                id="reheat-pot"
                label={say('In which pot')}
                value={vessel}
                onChange={(e) => setVessel(e.target.value)}
              >
                {fits.map((v) => (
                  <option key={v.id} value={v.id}>
                    {v.name}
                  </option>
                ))}
              </Pick>
              <Pick
                id="reheat-burner"
                label={say('On which burner')}
                value={burner}
                onChange={(e) => setBurner(e.target.value)}
              >
                {house.burners.map((b) => (
                  <option key={b.id} value={b.id}>
                    {b.name}
                  </option>
                ))}
              </Pick>
            </div>
            <Field
              id="reheat-measured"
              label={say('How thick it is now, mPa·s in the bowl')}
              inputMode="decimal"
              value={measured}
              onChange={(e) => {
                setMeasured(e.target.value);
                setProblem(undefined);
              }}
              problem={problem}
              hint={say('empty: as the model has it, set overnight')}
            />
            {found ? (
              <div className="bg-surface p-4">
                <p className="font-bold text-[22px] leading-tight">
                  {found.liquid > 0
                    ? say('Stir in {ml} of stock or water: {now} → {was} mPa·s', {
                        ml: { millilitres: found.liquid },
                        now: mPas(found.now),
                        was: mPas(found.was),
                      })
                    : say('Nothing needs stirring in: {now} mPa·s', { now: mPas(found.now) })}
                </p>
                <p className="mt-1 text-[18px]">
                  {say('{time} to {to}, stirred, lid on, and held {seconds} s; within {within}, once.', {
                    time: spell(found.seconds),
                    to: { celsius: rule.to },
                    seconds: rule.forSeconds,
                    within: spell(rule.withinSeconds),
                  })}
                </p>
                {!found.inTime && (
                  <p role="alert" className="font-bold text-tomato">
                    {say('Too slow: a stronger burner, or less of it at once.')}
                  </p>
                )}
              </div>
            ) : (
              <p>
                {say('To {to}, held {seconds} s, within {within}, once.', {
                  to: { celsius: rule.to },
                  seconds: rule.forSeconds,
                  within: spell(rule.withinSeconds),
                })}
              </p>
            )}
            {found && found.liquid > 0 && (
              <button
                type="button"
                className={`${BUTTON} min-h-14`}
                onClick={() => onTake([{ kind: 'reheating', vessel, burner }])}
              >
                {say('Reheat it as it is')}
              </button>
            )}
            <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
              {found && found.liquid > 0
                ? say('Reheat it with {ml} stirred in', { ml: { millilitres: found.liquid } })
                : say('Start reheating')}
            </button>
          </>
        )}
      </Form>
    </Sheet>
  );
}
