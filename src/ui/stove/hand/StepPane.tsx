'use client';

import { clsx } from 'clsx';
import { CloudOff, Scale as ScaleIcon, TriangleAlert } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { EventBody } from '../../../core/batch/events';
import { type Guide as Guidance, guideFor } from '../../../core/batch/guide/guide';
import { watchFor } from '../../../core/batch/guide/watch';
import type { StepState } from '../../../core/batch/state';
import type { Message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { volumeMl } from '../../../core/pot/contents/contents';
import { portionsIn } from '../../../core/pot/contents/portions';
import type { Portion, Step } from '../../../core/pot/step';
import type { RouxColour } from '../../../core/thicken/granules';
import { degrees, type Show, volumeWords } from '../../../core/units/shown/show';
import { placeWords } from '../../../core/words/pans';
import { detailsOf, itemLines, reasonFor, titleOf, waysOf } from '../../../core/words/steps';
import type { Going } from '../../device/useFollow';
import { NumberEntry } from '../../shared/form/NumberEntry';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';
import { Pan } from '../../shared/Pan';
import { Sheet } from '../../shared/Sheet';
import { Guide } from '../guides/Guide';
import { Watching } from '../guides/Watching';

/** Guides that say how it is done, so that the words need not say it again. */
const SAID_BY_GUIDE: ReadonlySet<Guidance['kind'] | undefined> = new Set(['temper', 'pours', 'seafood']);

type Props = {
  readonly step: StepState;
  /** As the model now wants it done, amounts solved anew; null when it is words only. */
  readonly does: Step | null;
  readonly going: Going | null;
  /** It is the one at hand, and not one that is only looked at. */
  readonly here: boolean;
  readonly colour: RouxColour | null;
  /** What the scale paired with this pot shows, fresh. */
  readonly scale: { readonly name: string; readonly value: number } | null;
  readonly show: Show;
  readonly write: (body: EventBody) => void;
};

/** The pot a step is done in as the model has it now, and as it was when the step came up: the guide speaks of that. */
function usePotOf({ step, does, going }: Pick<Props, 'step' | 'does' | 'going'>) {
  const pot = going && (going.pans.find((p) => p.name === (does?.in ?? ''))?.pot ?? going.pot);
  const [asWas, setAsWas] = useState(pot);
  const [of, setOf] = useState(step.key);
  if (of !== step.key || (!asWas && going)) {
    setOf(step.key);
    setAsWas(pot);
  }
  return { pot, asWas };
}

/** What leads the hand in a step, and what to watch for while it goes on; null where it is done, or there is no model. */
function ledBy({ step, does, going, here }: Props, { pot, asWas }: ReturnType<typeof usePotOf>) {
  if (!does || !going || !asWas || step.done) return { guide: null, watch: null };
  const { kitchen } = going.followed;
  return {
    guide: guideFor(does, asWas, kitchen),
    watch:
      pot && !step.skipped && here
        ? watchFor(does, asWas, pot, step.planned?.volumeMl ?? null, kitchen)
        : null,
  };
}

/** Whoever works by keys or ears stands at the step as it opens. */
function useFocusHere() {
  const title = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (document.activeElement === document.body) title.current?.focus({ preventScroll: true });
  }, []);
  return title;
}

/** One step, large: what is done, with how much, what to look for and why, what can hurt, what helps the hand. */
export function StepPane(props: Props) {
  const { step, does, going, here, colour, scale, show, write } = props;
  const say = useSay();
  const { planned, key } = step;
  const [weighing, setWeighing] = useState<number | null>(null);
  const { guide, watch } = ledBy(props, usePotOf(props));
  const title = useFocusHere();
  // Of several pans, the one it is done in.
  const pan = does?.in ?? '';
  const place = going?.followed.cooked.beside?.[pan];
  const reason = does ? reasonFor(does) : planned?.reason;
  // Where the hand is led by a drawing, the drawing has the room.
  const guided = guide?.kind === 'temper' || guide?.kind === 'blend';
  return (
    <>
      <h1
        ref={title}
        tabIndex={-1}
        className={clsx(
          'mt-1 text-balance font-bold leading-[1.06] outline-none',
          guided ? 'text-[clamp(27px,2.7vw,35px)]' : 'text-[clamp(34px,4.6vw,58px)]',
        )}
      >
        {does ? titleOf(does, planned?.from, show) : step.title}
      </h1>
      {pan && (
        <p className="mt-1 text-[20px]">
          <Pan name={pan} />
          {place && say(placeWords(place))}
        </p>
      )}
      {does ? (
        <>
          <ul
            className={clsx(
              'flex flex-col gap-1',
              guided ? 'mt-2 text-[clamp(19px,1.8vw,23px)]' : 'mt-3 text-[clamp(20px,2.2vw,28px)]',
            )}
          >
            <Amounts step={step} does={does} show={show} onWeigh={setWeighing} />
            {(SAID_BY_GUIDE.has(guide?.kind) ? [] : waysOf(does, planned?.from, show)).map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
          {guide && (
            <Guide guide={guide} step={key} parts={step.parts} colour={colour} show={show} write={write} />
          )}
        </>
      ) : (
        planned && (
          <ul className="mt-3 flex flex-col gap-1 text-[clamp(20px,2.2vw,28px)]">
            {planned.details.map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
        )
      )}
      {does?.kind === 'pour' && here && !step.done && <Poured from={does.from} going={going} show={show} />}
      {planned?.look && (
        <p className="mt-3 text-[clamp(20px,1.9vw,24px)] leading-snug">
          <b>{say('Look for:')}</b> {planned.look}.
        </p>
      )}
      {watch && <Watching watch={watch} />}
      {reason && <p className="mt-2 text-[18px] text-quiet">{say.either(reason)}</p>}
      <Cautions step={step} />
      {weighing !== null && does && (
        <Weighing
          step={step}
          does={does}
          item={weighing}
          scale={scale}
          write={write}
          onClose={() => setWeighing(null)}
        />
      )}
    </>
  );
}

type AmountsProps = Pick<Props, 'step' | 'show'> & {
  readonly does: Step;
  readonly onWeigh: (item: number) => void;
};

/** How much of what goes in, as it was weighed where it was; each can be weighed. */
function Amounts({ step, does, show, onWeigh }: AmountsProps) {
  const say = useSay();
  const { planned, key, weighed } = step;
  const changed = planned?.does ? changedItems(planned.does, does) : new Set<number>();
  return itemLines(does, show, weighed).map((l) => (
    <li key={l.item} className="flex items-center gap-3">
      <b
        className={clsx(
          'figures inline-block min-w-30 shrink-0 px-2 text-right text-[1.25em] leading-[1.3]',
          weighed.has(l.item) ? 'border-2 border-ink bg-surface' : 'bg-butter text-on-butter',
        )}
      >
        {l.figure}
      </b>
      <span className="min-w-0 leading-tight">
        {l.name}
        {weighed.has(l.item) && <span className="text-[16px] text-quiet"> {say('weighed')}</span>}
        {changed.has(l.item) && !weighed.has(l.item) && (
          <span className="block font-bold text-[16px]">{say('worked out anew for this pot')}</span>
        )}
      </span>
      {typeof key === 'number' && (
        <button
          type="button"
          onClick={() => onWeigh(l.item)}
          aria-label={say('Weighed: {name}', { name: l.name })}
          className="ml-auto grid size-14 shrink-0 place-items-center rounded-sm border-2 border-rule"
        >
          <ScaleIcon size={24} aria-hidden />
        </button>
      )}
    </li>
  ));
}

/** What is poured over from another pan, by the model; nothing where there is no such pan. */
function Poured({
  from,
  going,
  show,
}: Pick<Props, 'going' | 'show'> & { readonly from: string | undefined }) {
  const say = useSay();
  const pan = going?.pans.find((p) => p.name === (from ?? ''));
  if (!pan) return null;
  return (
    <p className="mt-3 text-[clamp(20px,2.2vw,28px)]">
      <b className="figures">{volumeWords(volumeMl(pan.pot), show)}</b>{' '}
      {say('in {from, select, none {the pot} other {“{from}”}} at {celsius}, by the model', {
        from: pan.name || 'none',
        celsius: degrees(pan.pot.celsius, show),
      })}
    </p>
  );
}

/** What of a step can hurt, what is done against it, and by which rule. */
function Cautions({ step }: Pick<Props, 'step'>) {
  const say = useSay();
  return step.planned?.cautions?.map((c) => (
    <p key={c.id} className="mt-3 flex items-start gap-3 border-2 border-ink px-3 py-1 text-[18px]">
      <TriangleAlert size={26} className="mt-0.5 shrink-0" aria-label={say('Caution')} />
      <span>
        <b>{say.either(c.says)}</b> {say.either(c.do)}{' '}
        <span className="text-[16px] text-quiet">{say(term(c.rule))}.</span>
      </span>
    </p>
  ));
}

type WeighingProps = Pick<Props, 'step' | 'scale' | 'write'> & {
  readonly does: Step;
  readonly item: number;
  readonly onClose: () => void;
};

/** What of an item of a step really went onto the scale. */
function Weighing({ step: { key }, does, item, scale, write, onClose }: WeighingProps) {
  const say = useSay();
  const unit = useUnits().of('g');
  const portion = portionsIn<Portion>(does)[item];
  if (!portion) return null;
  // As fine as its scale is read: a hundredth of an ounce, a tenth of a gram of what is little.
  const decimals = unit.unit === 'oz' ? (portion.amount < 300 ? 2 : 1) : portion.amount < 50 ? 1 : 0;
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('What the scale shows')}>
      <NumberEntry
        asked={{
          what: say('Weight'),
          unit: unit.unit,
          from: 0,
          to: Math.round(unit.shown(200_000)),
          decimals,
          near: [0.9, 0.95, 1, 1.05, 1.1].map((x) =>
            Number(unit.shown(portion.amount * x).toFixed(decimals)),
          ),
          device: scale && scale.value > 0 ? { ...scale, value: unit.shown(scale.value) } : null,
        }}
        onTake={(v) => {
          // What the scale shows is written as it shows it; what is typed in ounces, to a tenth of a gram.
          const g =
            scale && unit.shown(scale.value) === v ? scale.value : Math.round(unit.inner(v) * 10) / 10;
          if (typeof key === 'number')
            write({
              kind: 'weighed',
              step: key,
              item,
              g,
              ...(scale && scale.value === g && { from: scale.name }),
            });
          onClose();
        }}
      />
      <p className="px-4 pb-4 text-quiet">
        {say('Planned: {amount}. What is still to come is worked out from what you weighed.', {
          amount: { g: portion.amount },
        })}
      </p>
    </Sheet>
  );
}

/** Items whose amounts are no longer those of the plan. */
function changedItems(planned: Step, now: Step): ReadonlySet<number> {
  const before = portionsIn<Portion>(planned);
  const changed = portionsIn<Portion>(now).flatMap((p, n) =>
    Math.abs(p.amount - (before[n]?.amount ?? 0)) > 0.01 * Math.max(1, p.amount) ? [n] : [],
  );
  return new Set(
    planned.kind === 'puree' && now.kind === 'puree' && planned.fraction !== now.fraction ? [-1] : changed,
  );
}

/** The next step, peeking: its words and its first amount. */
export const peekOf = (step: StepState, does: Step | null, show: Show): string =>
  does ? (detailsOf(does, step.planned?.from, show)[0] ?? '') : (step.planned?.details[0] ?? '');

export function Status({ unsent, refused }: { unsent: number; refused: Message | null }) {
  const say = useSay();
  if (refused)
    return (
      <p role="alert" className="font-bold text-tomato">
        {say(refused)}
      </p>
    );
  if (unsent === 0) return null;
  return (
    <p role="status" className="flex items-center gap-2 font-bold">
      <CloudOff aria-hidden /> {say('{unsent} waiting to be saved', { unsent })}
    </p>
  );
}
