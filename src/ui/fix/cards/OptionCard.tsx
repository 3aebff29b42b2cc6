'use client';

import { clsx } from 'clsx';
import type { Option } from '../../../core/adjust/option';
import { YIELD_SHORT } from '../../../core/adjust/option';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { timeOfDay } from '../../../core/units/clock';
import { duration, mPas } from '../../../core/units/shown/format';
import { massWords } from '../../../core/units/shown/show';
import { amountWords, pouredMl, READ_IN_LITRES } from '../../../core/words/steps';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { inTen } from '../../shared/marks';
import { BUTTON, PRIMARY } from '../../shared/styles';
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

/** What goes in, each as it is read from a scale or a jug, and when it is on the pass. */
function GoesIn({ option: o, now }: { readonly option: Option; readonly now: number }) {
  const say = useSay();
  const show = useShow();
  return (
    <span className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
      {o.doses.map((d, n) => {
        // What is poured from a jug is read in litres, the rest is weighed.
        const grams = massWords(d.g, show);
        const words = amountWords(d.ingredient, d.g, show);
        const litresOfIt = (pouredMl(d.ingredient, d.g) ?? 0) >= READ_IN_LITRES;
        const figure = litresOfIt ? words : grams;
        const aside = litresOfIt ? grams : d.measure;
        return (
          <span key={`${n.toString()} ${d.ingredient}`} className="flex items-center gap-2">
            <b className="figures bg-butter px-2 text-[26px] text-on-butter">{figure}</b>
            <span className="leading-tight">
              {say(itemWords(d.ingredient))}
              {aside && <span className="block text-[15px] text-quiet">{aside}</span>}
            </span>
          </span>
        );
      })}
      {o.doses.length === 0 && <b className="text-[20px]">{say(amountOf(o))}</b>}
      <span className="ml-auto text-right leading-tight">
        {say.rich('on the pass <b>{time}</b><part>in {minutes}</part>', {
          b: (text) => <b className="figures text-[22px]">{text}</b>,
          part: (text) => <span className="block text-[15px] text-quiet">{text}</span>,
          time: timeOfDay(new Date(now + o.minutes * 60_000)),
          minutes: duration(Math.max(60, o.minutes * 60)),
        })}
        {o.ownMinutes >= 1 && (
          <span className="block text-[15px] text-quiet">
            {say('{own} of it the recipe’s own', { own: duration(o.ownMinutes * 60) })}
          </span>
        )}
      </span>
    </span>
  );
}

/** What it does to salt, fat, looks and purse, where that is worth a word. */
function useAsides({ effects: { salt, fat, gloss, clarity, cost } }: Option, currency: string) {
  const say = useSay();
  return [
    Math.abs(salt[1] - salt[0]) >= 0.03
      ? say('salt {before} to {after} %', { before: salt[0].toFixed(2), after: salt[1].toFixed(2) })
      : '',
    Math.abs(fat[1] - fat[0]) >= 0.3
      ? say('fat {before} to {after} %', { before: fat[0].toFixed(1), after: fat[1].toFixed(1) })
      : '',
    gloss && gloss !== 'none' ? say('gloss: {gloss}', { gloss: term(gloss) }) : '',
    clarity ? say(term(clarity)) : '',
    cost !== null && cost >= 0.01 ? `${currency}${cost.toFixed(2)}` : '',
  ].filter(Boolean);
}

/** Where it lands, what it is short of, what it brings, and what it rules out after. */
function ComesTo({
  option: o,
  currency,
  owedMl,
}: {
  readonly option: Option;
  readonly currency: string;
  readonly owedMl: number;
}) {
  const say = useSay();
  const show = useShow();
  const asides = useAsides(o, currency);
  const { allergens } = o.effects;
  return (
    <>
      <p>
        {say('{viscosity} mPa·s ({low} to {high}), {volume}{asides}', {
          viscosity: mPas(o.viscosity),
          low: mPas(o.bracket[0]),
          high: mPas(o.bracket[1]),
          volume: { ml: o.volumeMl },
          asides: asides.map((a) => ` · ${a}`).join(''),
        })}
      </p>
      {o.volumeMl < owedMl * (1 - YIELD_SHORT) && (
        <p className="font-bold">
          {say('{short} short of the {owed} owed.', {
            short: { ml: owedMl - o.volumeMl },
            owed: { ml: owedMl },
          })}
        </p>
      )}
      {allergens.length > 0 && (
        <p className="font-bold">
          {say('Brings {allergens}: tell the pass.', { allergens: { and: allergens.map(term) } })}
        </p>
      )}
      {o.inTwo && (
        <p>
          {say.rich(
            '<b>In two goes it is {chance}</b>: first {doses}, {half, select, yes {taste it and test it} other {a flow test}}, then the rest by what that shows.',
            {
              b: (text) => <b>{text}</b>,
              chance: inTen(o.inTwo.chance),
              doses: o.inTwo.first
                .map((d) => `${amountWords(d.ingredient, d.g, show)} ${say(itemWords(d.ingredient))}`)
                .join(', '),
              half: o.inTwo.half ? 'yes' : 'no',
            },
          )}
        </p>
      )}
      {o.forecloses.length > 0 && (
        <p className="text-quiet">
          {say('After it: {forecloses}.', { forecloses: o.forecloses.map((f) => say(f)).join('; ') })}
        </p>
      )}
    </>
  );
}

/** One correction: what goes in, how, when it is ready, where it lands, what else it does. */
export function OptionCard(props: Props) {
  const { option: o, band, now, chosen, onChoose, onDo, onFirst } = props;
  const say = useSay();
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
            {say(o.title)}
          </b>
          {o.struck ? (
            <span className="font-bold text-tomato">{say(o.struck)}</span>
          ) : (
            <span className="ml-auto font-bold">
              {say('{chance} {band}', { chance: inTen(o.chance), band: term(band) })}
            </span>
          )}
        </span>
        {!o.struck && <GoesIn option={o} now={now} />}
      </button>
      {!o.struck && (
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2 px-4 pt-1 pb-3">
          <div className="min-w-0 flex-1 basis-72 text-[16px] leading-snug">
            {chosen && (
              <ol className="mb-1 list-decimal pl-5 text-[18px]">
                {o.how.map((line) => (
                  <li key={line.text}>{say(line)}</li>
                ))}
              </ol>
            )}
            <ComesTo option={o} currency={props.currency} owedMl={props.owedMl} />
          </div>
          <div className="ml-auto flex flex-wrap justify-end gap-2">
            {o.inTwo && (
              <button type="button" onClick={onDo} className={BUTTON}>
                {say('All at once')}
              </button>
            )}
            <button type="button" onClick={o.inTwo ? onFirst : onDo} className={PRIMARY}>
              {!o.inTwo ? say('Do this') : o.inTwo.half ? say('Half first') : say('Two thirds first')}
            </button>
          </div>
        </div>
      )}
    </li>
  );
}

/** What is done where nothing goes in: a share blended, minutes boiled. */
function amountOf({ steps }: Option): Message {
  const [first] = steps;
  if (first?.kind === 'puree')
    return message('{fraction} % of it', { fraction: Math.round(first.fraction * 100) });
  if (first?.kind === 'reduce' && 'minutes' in first.to)
    return message('{minutes} min', { minutes: first.to.minutes });
  return message('nothing goes in');
}
