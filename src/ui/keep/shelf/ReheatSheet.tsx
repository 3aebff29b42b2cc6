'use client';

import { rimVolume } from '../../../core/heat/vessel';
import type { KeepBody } from '../../../core/keep/events';
import type { Lot, LotState } from '../../../core/keep/lot';
import type { ReheatForecast } from '../../../core/keep/soup/reheat';
import { rulesIn } from '../../../core/keep/standing';
import type { House } from '../../../core/kitchen/house';
import type { RuleSet } from '../../../core/safety/rules';
import { mPas } from '../../../core/units/shown/format';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useTyped, Wrong } from '../../shared/form/useTyped';
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

/** mPa·s that was measured; undefined where nothing was, or what was typed cannot be. */
function measuredIn(typed: string): number | undefined {
  const m = typedNumber(typed);
  return typeof m === 'number' && m >= 1 && m <= 20_000 ? m : undefined;
}

/** How it is brought back: what to stir in, how long it takes on that burner, and by when it must be there. */
export function ReheatSheet({ house, lot, state, now, working, onTake, onClose }: Props) {
  const say = useSay();
  const rule = rulesIn(house).reheat;
  const fits = house.vessels.filter((v) => rimVolume(v) * 0.85 >= state.ml);
  const f = useTyped(
    {
      vessel: (fits[0] ?? house.vessels.at(-1))?.id ?? '',
      burner: house.burners[0]?.id ?? '',
      measured: '',
    },
    ({ measured }) =>
      measured.trim() !== '' && measuredIn(measured) === undefined
        ? new Wrong(
            'measured',
            say('“{measured}” cannot be: a consistency is a number from 1 to 20 000 mPa·s.', { measured }),
          )
        : true,
    () =>
      onTake([
        begins,
        ...(found && found.liquid > 0
          ? [{ kind: 'let down', ml: found.liquid, ingredient: 'water' } as const]
          : []),
      ]),
  );
  const { vessel, burner } = f.typed;
  const measured = measuredIn(f.typed.measured);
  const begins = { kind: 'reheating', vessel, burner } as const;
  const { keeper, known } = working;
  const key = [lot.id, known, vessel, burner, measured].join(' ');
  const answered = useAsked(keeper, 'reheat', key, () => ({ lot, now, vessel, burner, measured }));
  const found = answered.key === key ? answered.pieces[0] : undefined;
  const again = state.reheats > 0;
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Reheat it')}>
      <Form onSubmit={f.send}>
        {again ? (
          <p role="alert" className="font-bold text-[19px] text-tomato">
            {say('It was reheated once: what is left is served or thrown away.')}
          </p>
        ) : (
          <>
            <Where house={house} fits={fits} f={f} />
            <Told found={found} rule={rule} />
            {found && found.liquid > 0 && (
              <button type="button" className={`${BUTTON} min-h-14`} onClick={() => onTake([begins])}>
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

type WhereProps = {
  readonly house: House;
  /** Pots it goes into. */
  readonly fits: House['vessels'];
  readonly f: ReturnType<typeof useTyped<{ vessel: string; burner: string; measured: string }, true>>;
};

function Where({ house, fits, f }: WhereProps) {
  const say = useSay();
  return (
    <>
      <div className="grid gap-4 min-[560px]:grid-cols-2">
        <Pick id="reheat-pot" label={say('In which pot')} {...f.field('vessel')}>
          {fits.map((v) => (
            <option key={v.id} value={v.id}>
              {v.name}
            </option>
          ))}
        </Pick>
        <Pick id="reheat-burner" label={say('On which burner')} {...f.field('burner')}>
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
        {...f.field('measured')}
        hint={say('empty: as the model has it, set overnight')}
      />
    </>
  );
}

type ToldProps = { readonly found: ReheatForecast | null | undefined; readonly rule: RuleSet['reheat'] };

/** What is stirred in, how long it takes, and by when it must be there. */
function Told({ found, rule }: ToldProps) {
  const say = useSay();
  return found ? (
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
  );
}
