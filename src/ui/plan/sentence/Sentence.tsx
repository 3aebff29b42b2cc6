'use client';

import { memo, type RefObject } from 'react';
import { BANDS, bandOf, middleOf, rangeOf } from '../../../core/flow/bands';
import { FILL_LIMIT, rimVolume } from '../../../core/heat/vessel';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { GENTLY, type Gently } from '../../../core/order/changes/gently';
import { hasWine } from '../../../core/order/changes/wine';
import type { Aim, TimedOrder } from '../../../core/order/order';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { EQUAL_PARTS, EQUAL_PARTS_WORDS } from '../../../core/thicken/equalParts';
import { ROUX_COLOURS, ROUX_STRENGTH } from '../../../core/thicken/granules';
import { spaced, uncapital } from '../../../core/units/shown/format';
import { addressOf } from '../../order/address';
import { stockWords } from '../../order/stockWords';
import { rouxOf, type Shelf, UNCHANGED } from '../../order/stores';
import type { OnShelf } from '../../order/useShelf';
import { Choice } from '../../shared/form/Choice';
import { useSay } from '../../shared/hooks/useSay';
import { BesidePart } from '../pans/BesidePart';
import { DietPart } from './DietPart';
import { FinishPart } from './FinishPart';
import { LitresPart } from './LitresPart';
import { StockPart } from './StockPart';
import { ThickenPart } from './ThickenPart';
import { TimePart } from './TimePart';
import { WinePart } from './WinePart';

/** How its dairy is spared, in the sentence. */
const SPARED: Readonly<Record<Gently, Message>> = {
  warm: message('warmed first'),
  last: message('last of all'),
  richer: message('as cream of 35 %'),
};

type Props = {
  readonly stores: Shelf;
  readonly choose: OnShelf['choose'];
  /** As it is cooked, and as the house writes it. */
  readonly recipe: Recipe;
  readonly written: Recipe;
  /** The order as it stands when a sheet opens: the sentence itself does not follow every move of the target. */
  readonly aim: RefObject<Aim>;
  readonly setup: Setup;
  readonly order: TimedOrder;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

function SoupChoice({ stores, choose, written, order, onChange }: Props) {
  const say = useSay();
  const { soups, house } = stores;
  const chooseRecipe = (id: string) =>
    choose(id, ({ band }) =>
      onChange({
        recipeId: id,
        target: Math.round(middleOf(band, house.kitchen.bandLimits)),
        ...UNCHANGED,
        // Whom it is for stays, whatever the soup.
        diet: order.diet,
        stockPotId: undefined,
        stockBurnerId: undefined,
      }),
    );
  return (
    <Choice
      label={say('Soup')}
      value={written.id}
      words={uncapital(written.name)}
      onChange={chooseRecipe}
      options={soups.map((r) => ({ value: r.id, words: r.name, aside: r.school }))}
    />
  );
}

function BandChoice({ stores, order, onChange }: Props) {
  const say = useSay();
  const { bandLimits } = stores.house.kitchen;
  return (
    <Choice
      label={say('Consistency')}
      value={bandOf(order.target, bandLimits)}
      words={term(bandOf(order.target, bandLimits))}
      onChange={(band) => onChange({ target: Math.round(middleOf(band, bandLimits)) })}
      options={BANDS.map((band) => {
        const [low, high] = rangeOf(band, bandLimits);
        return {
          value: band,
          words: term(band),
          aside: say('{low} to {high} mPa·s', { low: spaced(low), high: spaced(high) }),
        };
      })}
    />
  );
}

function PotChoice({ stores: { house }, order, onChange }: Props) {
  const say = useSay();
  const vessel = house.vessels.find((v) => v.id === order.vesselId);
  return (
    <Choice
      label={say('Pot')}
      value={order.vesselId}
      words={vessel?.name ?? message('a pot')}
      onChange={(vesselId) => onChange({ vesselId })}
      options={house.vessels.map((v) => ({
        value: v.id,
        words: v.name,
        aside: say('{across} × {high} cm, up to {most}', {
          across: v.diameterMm / 10,
          high: v.heightMm / 10,
          most: { ml: rimVolume(v) * FILL_LIMIT },
        }),
      }))}
    />
  );
}

function BurnerChoice({ stores: { house }, order, onChange }: Props) {
  const say = useSay();
  const burner = house.burners.find((b) => b.id === order.burnerId);
  return (
    <Choice
      label={say('Burner')}
      value={order.burnerId}
      words={burner?.name ?? message('a burner')}
      onChange={(burnerId) => onChange({ burnerId })}
      options={house.burners.map((b) => ({
        value: b.id,
        words: b.name,
        aside: say('{kind}, {power} kW', { kind: term(b.kind), power: b.powerW / 1000 }),
      }))}
    />
  );
}

type RouxProps = Props & { readonly roux: NonNullable<ReturnType<typeof rouxOf>> };

function ColourChoice({ order, roux, onChange }: RouxProps) {
  const say = useSay();
  const colour = order.colour ?? roux.colour ?? 'white';
  return (
    <Choice
      label={say('Roux colour')}
      value={colour}
      words={term(colour)}
      onChange={(c) => onChange({ colour: c })}
      options={ROUX_COLOURS.map((c) => ({
        value: c,
        words: say('{colour} roux', { colour: term(c) }),
        aside:
          ROUX_STRENGTH[c] === 1
            ? say('full strength')
            : say('thickens {percent} % as much', {
                percent: Math.round(ROUX_STRENGTH[c] * 100),
              }),
      }))}
    />
  );
}

function RuleChoice({ order, roux, onChange }: RouxProps) {
  const say = useSay();
  const rule = order.rule ?? roux.rule ?? 'weight';
  return (
    <Choice
      label={say('Equal parts')}
      value={rule}
      words={term(EQUAL_PARTS_WORDS[rule])}
      onChange={(r) => onChange({ rule: r })}
      options={EQUAL_PARTS.map((r) => ({ value: r, words: term(EQUAL_PARTS_WORDS[r]) }))}
    />
  );
}

/** How its dairy is spared. */
function DairyChoice({ dairy, onChange }: Props & { readonly dairy: Gently }) {
  const say = useSay();
  return (
    <Choice
      label={say('Dairy')}
      value={dairy}
      words={SPARED[dairy]}
      onChange={(d) => onChange({ dairy: d === 'written' ? undefined : d })}
      options={[
        { value: 'written' as const, words: say('as the recipe has it') },
        ...GENTLY.map((g) => ({ value: g, words: SPARED[g] })),
      ]}
    />
  );
}

/** The order as a sentence; every underlined part is a control. */
function SentenceNow(props: Props) {
  const { stores, recipe, written, aim, setup, order, onChange } = props;
  const say = useSay();
  const { house } = stores;
  const roux = rouxOf(recipe);

  return (
    <p className="text-[clamp(19px,1.5vw,25px)] leading-[1.6]">
      {say.rich(
        'Make {litres} of {soup}{stock}, {band}, in {pot} on {burner}{beside}, thickened with {thickener}{roux}, {wine}finished with {finish}{dairy}, {guests}, at {time}.',
        {
          litres: (
            <LitresPart litres={order.litres} show={say.reader} onChange={(l) => onChange({ litres: l })} />
          ),
          soup: <SoupChoice {...props} />,
          stock: stockWords(order, written)
            ? say.rich(' on {stock}', {
                stock: (
                  <StockPart
                    order={order}
                    written={written}
                    aim={aim}
                    setup={setup}
                    house={house}
                    onChange={onChange}
                  />
                ),
              })
            : '',
          band: <BandChoice {...props} />,
          pot: <PotChoice {...props} />,
          burner: <BurnerChoice {...props} />,
          beside: recipe.pans?.length
            ? say.rich(' with {pans}', {
                pans: <BesidePart recipe={recipe} litres={order.litres} setup={setup} />,
              })
            : '',
          thickener: (
            <ThickenPart order={order} written={written} aim={aim} setup={setup} onChange={onChange} />
          ),
          roux: roux
            ? say.rich(', {colour}, {rule}', {
                colour: <ColourChoice {...props} roux={roux} />,
                rule: <RuleChoice {...props} roux={roux} />,
              })
            : '',
          wine: hasWine(written)
            ? say.rich('the wine {wine}, ', { wine: <WinePart order={order} onChange={onChange} /> })
            : '',
          finish: (
            <FinishPart
              order={order}
              written={written}
              aim={aim}
              setup={setup}
              currency={house.currency}
              onChange={onChange}
            />
          ),
          dairy: order.dairy
            ? say.rich(', {how}', { how: <DairyChoice {...props} dairy={order.dairy} /> })
            : '',
          guests: <DietPart order={order} written={written} onChange={onChange} />,
          time: <TimePart time={order.serveAt} onChange={(serveAt) => onChange({ serveAt })} />,
        },
      )}
    </p>
  );
}

/** As it reads: a target moving within its band changes nothing here, so the sentence stays as it is. */
const reading = ({ stores, order }: Props): string =>
  addressOf({ ...order, target: middleOf(bandOf(order.target, stores.house.kitchen.bandLimits)) });

export const Sentence = memo(SentenceNow, (a, b) => a.stores === b.stores && reading(a) === reading(b));
