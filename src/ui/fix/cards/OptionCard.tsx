'use client';

import { clsx } from 'clsx';
import type { Option } from '../../../core/adjust/option';
import { YIELD_SHORT } from '../../../core/adjust/option';
import { timeOfDay } from '../../../core/units/clock';
import { duration, mPas, spaced } from '../../../core/units/format';
import { volumeWords } from '../../../core/units/show';
import { amountWords, pouredMl, READ_IN_LITRES } from '../../../core/words/steps';
import { inTen } from '../../shared/marks';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { useShow } from '../../shared/useShow';
import { itemWords } from './words';

type Props = {
  readonly option: Option;
  readonly band: string;
  readonly now: number;
  readonly currency: string;
  /** mL owed to the pass. */
  readonly owedMl: number;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onDo: () => void;
  /** Two thirds of it, then a flow test. */
  readonly onFirst: () => void;
};

/** One correction: what goes in, how, when it is ready, where it lands, what else it does. */
export function OptionCard({
  option: o,
  band,
  now,
  currency,
  owedMl,
  chosen,
  onChoose,
  onDo,
  onFirst,
}: Props) {
  const { salt, fat, allergens, gloss, clarity, cost } = o.effects;
  const show = useShow();
  const asides = [
    Math.abs(salt[1] - salt[0]) >= 0.03 ? `salt ${salt[0].toFixed(2)} to ${salt[1].toFixed(2)} %` : '',
    Math.abs(fat[1] - fat[0]) >= 0.3 ? `fat ${fat[0].toFixed(1)} to ${fat[1].toFixed(1)} %` : '',
    gloss && gloss !== 'none' ? `gloss: ${gloss}` : '',
    clarity ? clarity : '',
    cost !== null && cost >= 0.01 ? `${currency}${cost.toFixed(2)}` : '',
  ].filter(Boolean);
  return (
    <li
      className={clsx(
        'rounded-sm border-2 bg-surface',
        o.struck ? 'border-rule' : 'border-ink',
        chosen && 'outline-4 outline-butter',
      )}
    >
      <button
        type="button"
        onClick={onChoose}
        aria-pressed={chosen}
        className="block w-full px-4 pt-2 text-left"
      >
        <span className="flex flex-wrap items-baseline gap-x-4">
          <b className={clsx('text-[22px] leading-tight', o.struck && 'text-quiet line-through')}>
            {o.title}
          </b>
          {o.struck ? (
            <span className="font-bold text-tomato">{o.struck}</span>
          ) : (
            <span className="ml-auto font-bold">
              {inTen(o.chance)} {band}
            </span>
          )}
        </span>
        {!o.struck && (
          <span className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
            {o.doses.map((d, n) => {
              // What is poured from a jug is read in litres, the rest is weighed.
              const grams = `${spaced(d.g, d.g < 10 ? 1 : 0)} g`;
              const words = amountWords(d.ingredient, d.g, show);
              const litresOfIt = (pouredMl(d.ingredient, d.g) ?? 0) >= READ_IN_LITRES;
              const figure = litresOfIt ? words : grams;
              const aside = litresOfIt ? grams : d.measure;
              return (
                <span key={`${n.toString()} ${d.ingredient}`} className="flex items-center gap-2">
                  <b className="figures bg-butter px-2 text-[26px] text-on-butter">{figure}</b>
                  <span className="leading-tight">
                    {itemWords(d.ingredient)}
                    {aside && <span className="block text-[15px] text-quiet">{aside}</span>}
                  </span>
                </span>
              );
            })}
            {o.doses.length === 0 && <b className="text-[20px]">{amountOf(o)}</b>}
            <span className="ml-auto text-right leading-tight">
              on the pass{' '}
              <b className="figures text-[22px]">{timeOfDay(new Date(now + o.minutes * 60_000))}</b>
              <span className="block text-[15px] text-quiet">
                in {duration(Math.max(60, o.minutes * 60))}
              </span>
            </span>
          </span>
        )}
      </button>
      {!o.struck && (
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2 px-4 pt-1 pb-3">
          <div className="min-w-0 flex-1 basis-72 text-[16px] leading-snug">
            {chosen && (
              <ol className="mb-1 list-decimal pl-5 text-[18px]">
                {o.how.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ol>
            )}
            <p>
              {mPas(o.viscosity)} mPa·s ({mPas(o.bracket[0])} to {mPas(o.bracket[1])}),{' '}
              {volumeWords(o.volumeMl, show)}
              {asides.map((a) => ` · ${a}`)}
            </p>
            {o.volumeMl < owedMl * (1 - YIELD_SHORT) && (
              <p className="font-bold">
                {volumeWords(owedMl - o.volumeMl, show)} short of the {volumeWords(owedMl, show)} owed.
              </p>
            )}
            {allergens.length > 0 && (
              <p className="font-bold">Brings {allergens.join(', ')}: tell the pass.</p>
            )}
            {o.inTwo && (
              <p>
                <b>In two goes it is {inTen(o.inTwo.chance)}</b>: first{' '}
                {o.inTwo.first
                  .map((d) => `${amountWords(d.ingredient, d.g, show)} ${itemWords(d.ingredient)}`)
                  .join(', ')}
                , {o.inTwo.half ? 'taste it and test it' : 'a flow test'}, then the rest by what that shows.
              </p>
            )}
            {o.forecloses.length > 0 && <p className="text-quiet">After it: {o.forecloses.join('; ')}.</p>}
          </div>
          <div className="ml-auto flex flex-wrap justify-end gap-2">
            {o.inTwo && (
              <button type="button" onClick={onDo} className={BUTTON}>
                All at once
              </button>
            )}
            <button type="button" onClick={o.inTwo ? onFirst : onDo} className={PRIMARY}>
              {!o.inTwo ? 'Do this' : o.inTwo.half ? 'Half first' : 'Two thirds first'}
            </button>
          </div>
        </div>
      )}
    </li>
  );
}

/** What is done where nothing goes in: a share blended, minutes boiled. */
function amountOf({ steps }: Option): string {
  const [first] = steps;
  if (first?.kind === 'puree') return `${Math.round(first.fraction * 100)} % of it`;
  if (first?.kind === 'reduce' && 'minutes' in first.to) return `${first.to.minutes} min`;
  return '';
}
