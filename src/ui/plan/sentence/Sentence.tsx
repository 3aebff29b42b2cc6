'use client';

import { memo, type RefObject } from 'react';
import { BANDS, bandOf, middleOf, rangeOf } from '../../../core/flow/bands';
import { FILL_LIMIT, rimVolume } from '../../../core/heat/vessel';
import { GENTLY, type Gently } from '../../../core/order/gently';
import type { Aim, TimedOrder } from '../../../core/order/order';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { EQUAL_PARTS, EQUAL_PARTS_WORDS } from '../../../core/thicken/equalParts';
import { ROUX_COLOURS, ROUX_STRENGTH } from '../../../core/thicken/granules';
import { spaced, uncapital } from '../../../core/units/format';
import { volumeWords } from '../../../core/units/show';
import { addressOf } from '../../order/address';
import { rouxOf, type Stores } from '../../order/stores';
import { Choice } from '../../shared/form/Choice';
import { useShow } from '../../shared/useShow';
import { LitresPart } from './LitresPart';
import { ThickenPart } from './ThickenPart';
import { TimePart } from './TimePart';

/** How its dairy is spared, in the sentence. */
const SPARED: Readonly<Record<Gently, string>> = {
  warm: 'warmed first',
  last: 'last of all',
  richer: 'as cream of 35 %',
};

const KIND = { gas: 'gas', induction: 'induction', electric: 'electric' } as const;

type Props = {
  readonly stores: Stores;
  /** As it is cooked, and as the house writes it. */
  readonly recipe: Recipe;
  readonly written: Recipe;
  /** The order as it stands when a sheet opens: the sentence itself does not follow every move of the target. */
  readonly aim: RefObject<Aim>;
  readonly setup: Setup;
  readonly order: TimedOrder;
  readonly lightAt: string | null;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** The order as a sentence; every underlined part is a control. */
function SentenceNow({ stores, recipe, written, aim, setup, order, lightAt, onChange }: Props) {
  const show = useShow();
  const { house, recipes } = stores;
  const { bandLimits } = house.kitchen;
  const vessel = house.vessels.find((v) => v.id === order.vesselId);
  const burner = house.burners.find((b) => b.id === order.burnerId);
  const roux = rouxOf(recipe);
  const colour = order.colour ?? roux?.colour ?? 'white';
  const rule = order.rule ?? roux?.rule ?? 'weight';

  const chooseRecipe = (id: string) => {
    const next = recipes.find((r) => r.id === id);
    if (next)
      onChange({
        recipeId: id,
        target: Math.round(middleOf(next.band, bandLimits)),
        rule: undefined,
        colour: undefined,
        way: undefined,
        share: undefined,
        moreFat: undefined,
        moreSimmer: undefined,
        liquidAt: undefined,
        dairy: undefined,
      });
  };

  return (
    <p className="text-[clamp(20px,2.05vw,27px)] leading-[1.6]">
      Make <LitresPart litres={order.litres} show={house.show} onChange={(l) => onChange({ litres: l })} /> of{' '}
      <Choice
        label="Soup"
        value={written.id}
        words={uncapital(written.name)}
        onChange={chooseRecipe}
        options={recipes.map((r) => ({ value: r.id, words: r.name, aside: r.school }))}
      />
      ,{' '}
      <Choice
        label="Consistency"
        value={bandOf(order.target, bandLimits)}
        words={bandOf(order.target, bandLimits)}
        onChange={(band) => onChange({ target: Math.round(middleOf(band, bandLimits)) })}
        options={BANDS.map((b) => ({
          value: b,
          words: b,
          aside: `${rangeOf(b, bandLimits)
            .map((v) => spaced(v))
            .join(' to ')} mPa·s`,
        }))}
      />
      , in{' '}
      <Choice
        label="Pot"
        value={order.vesselId}
        words={vessel?.name ?? 'a pot'}
        onChange={(vesselId) => onChange({ vesselId })}
        options={house.vessels.map((v) => ({
          value: v.id,
          words: v.name,
          aside: `${v.diameterMm / 10} × ${v.heightMm / 10} cm, up to ${volumeWords(rimVolume(v) * FILL_LIMIT, show)}`,
        }))}
      />{' '}
      on{' '}
      <Choice
        label="Burner"
        value={order.burnerId}
        words={burner?.name ?? 'a burner'}
        onChange={(burnerId) => onChange({ burnerId })}
        options={house.burners.map((b) => ({
          value: b.id,
          words: b.name,
          aside: `${KIND[b.kind]}, ${b.powerW / 1000} kW`,
        }))}
      />
      , thickened with{' '}
      <ThickenPart order={order} written={written} aim={aim} setup={setup} onChange={onChange} />
      {roux && (
        <>
          ,{' '}
          <Choice
            label="Roux colour"
            value={colour}
            words={colour}
            onChange={(c) => onChange({ colour: c })}
            options={ROUX_COLOURS.map((c) => ({
              value: c,
              words: `${c} roux`,
              aside:
                ROUX_STRENGTH[c] === 1
                  ? 'full strength'
                  : `thickens ${Math.round(ROUX_STRENGTH[c] * 100)} % as much`,
            }))}
          />
          ,{' '}
          <Choice
            label="Equal parts"
            value={rule}
            words={EQUAL_PARTS_WORDS[rule]}
            onChange={(r) => onChange({ rule: r })}
            options={EQUAL_PARTS.map((r) => ({ value: r, words: EQUAL_PARTS_WORDS[r] }))}
          />
        </>
      )}
      {order.dairy && (
        <>
          , its dairy{' '}
          <Choice
            label="Dairy"
            value={order.dairy}
            words={SPARED[order.dairy]}
            onChange={(d) => onChange({ dairy: d === 'written' ? undefined : d })}
            options={[
              { value: 'written' as const, words: 'as the recipe has it' },
              ...GENTLY.map((g) => ({ value: g, words: SPARED[g] })),
            ]}
          />
        </>
      )}
      , for <TimePart time={order.serveAt} onChange={(serveAt) => onChange({ serveAt })} />.{' '}
      {lightAt && <span className="text-quiet">Light the flame at {lightAt}.</span>}
    </p>
  );
}

/** As it reads: a target moving within its band changes nothing here, so the sentence stays as it is. */
const reading = ({ stores, order, lightAt }: Props): string =>
  `${addressOf({ ...order, target: middleOf(bandOf(order.target, stores.house.kitchen.bandLimits)) })} ${lightAt}`;

export const Sentence = memo(SentenceNow, (a, b) => a.stores === b.stores && reading(a) === reading(b));
