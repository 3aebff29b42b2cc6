'use client';

import {
  Droplets,
  Eye,
  Gauge,
  Plus,
  Ruler,
  Scale as ScaleIcon,
  Thermometer,
  TriangleAlert,
  Utensils,
  Wifi,
  Wrench,
} from 'lucide-react';
import { SALTY } from '../../core/batch/plausible';
import { bandOf } from '../../core/flow/bands';
import { type Message, message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { mPas } from '../../core/units/shown/format';
import { degrees, type Show, volumeWords } from '../../core/units/shown/show';
import type { Going } from '../device/useFollow';
import { PotNow } from '../shared/draw/PotNow';
import { Scale, type ScaleMark } from '../shared/draw/Scale';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { inTen, measuredMark } from '../shared/marks';
import { BUTTON } from '../shared/styles';
import type { ReadingKind } from './readings/ReadingSheet';

const PADS: readonly { kind: ReadingKind; words: Message; icon: typeof Ruler }[] = [
  { kind: 'temperature', words: message('Temperature'), icon: Thermometer },
  { kind: 'level', words: message('Level'), icon: Ruler },
  { kind: 'dice', words: message('Fork'), icon: Utensils },
  { kind: 'taste', words: message('Salt'), icon: Gauge },
  { kind: 'look', words: message('Look'), icon: Eye },
  { kind: 'scale', words: message('Weight'), icon: ScaleIcon },
  { kind: 'put in', words: message('Put in'), icon: Plus },
];

type Props = {
  readonly batchId: string;
  readonly going: Going;
  /** What the probe says and how it stands; null when none is paired. */
  readonly probe: {
    readonly name: string;
    readonly value: number | null;
    readonly says: Message | string;
  } | null;
  readonly show: Show;
  readonly onRead: (kind: ReadingKind) => void;
  readonly onDevices: () => void;
};

/** The pot now and where it will land, and the pads that write a reading down. */
export function NowPane({ batchId, going, probe, show, onRead, onDevices }: Props) {
  const say = useSay();
  const { seen, to, doubt, pot, followed } = going;
  const limits = followed.kitchen.bandLimits;
  const measured = measuredMark(followed.state.events, seen.fatFraction);
  const marks: ScaleMark[] = [
    { id: 'target', words: say('target'), at: followed.cooked.target, kind: 'target' },
    { id: 'end', words: say('at the pass'), at: to.end.bowlViscosity, range: doubt?.bracket, kind: 'end' },
    ...(seen.waterMl > 100
      ? [{ id: 'now', words: say('now'), at: seen.bowlViscosity, kind: 'now' } as const]
      : []),
    ...(measured ? [measured] : []),
  ];
  return (
    <div className="flex min-h-0 flex-col">
      <Figures going={going} probe={probe} show={show} />
      <Wrong going={going} show={show} />
      <div className="grid h-56 shrink-0 grid-cols-[1fr_150px] gap-2 px-3 py-2 min-[1100px]:h-auto min-[1100px]:min-h-0 min-[1100px]:flex-1">
        <PotNow vessel={pot.vessel} ml={seen.volumeMl} endMl={to.end.volumeMl} show={show} />
        <Scale limits={limits} marks={marks} label={say('Consistency in the bowl')} />
      </div>
      <Pads batchId={batchId} onRead={onRead} onDevices={onDevices} />
    </div>
  );
}

/** How warm it is now, and what it will be at the pass. */
function Figures({
  going: { seen, to, doubt, followed },
  probe,
  show,
}: Pick<Props, 'going' | 'probe' | 'show'>) {
  const say = useSay();
  const wanted = bandOf(followed.cooked.target, followed.kitchen.bandLimits);
  return (
    <div className="grid shrink-0 grid-cols-2 border-ink border-b-2">
      <section aria-label={say('Now')} className="min-w-0 border-ink border-r-2 px-4 py-2">
        <h2 className="font-bold leading-tight">{say('Now')}</h2>
        <p className="figures font-bold text-[38px] leading-[1.1]">
          {degrees(probe?.value ?? seen.celsius, show)}
        </p>
        <p className="truncate text-[15px] text-quiet">
          {probe ? (
            <>
              {probe.name},{' '}
              <span className={probe.value === null ? 'font-bold text-tomato' : ''}>
                {say.either(probe.says)}
              </span>
            </>
          ) : (
            say('by the model')
          )}
        </p>
      </section>
      <section aria-label={say('At the pass, by the model')} className="min-w-0 px-4 py-2">
        <h2 className="font-bold leading-tight">{say('At the pass')}</h2>
        <p className="font-bold text-[30px] leading-[1.2]">{say(term(to.end.band))}</p>
        <p className="text-[15px] text-quiet leading-tight">
          {mPas(to.end.bowlViscosity)}
          {doubt && ` (${mPas(doubt.bracket[0])}–${mPas(doubt.bracket[1])})`},{' '}
          {volumeWords(to.end.volumeMl, show)}
          <br />
          {doubt ? say('{band}: {chance}', { band: term(wanted), chance: inTen(doubt.chance) }) : ' '}
        </p>
      </section>
    </div>
  );
}

/** What is wrong with it, one thing at a time: the pot and its ladder keep their room. */
function Wrong({ going: { seen, to, followed }, show }: Pick<Props, 'going' | 'show'>) {
  const say = useSay();
  const salty = seen.saltPercent > followed.kitchen.saltPercent * SALTY;
  return (
    <>
      {salty && (
        <p
          role="alert"
          className="flex shrink-0 items-center gap-2 border-ink border-b-2 bg-tomato px-4 py-1.5 text-[16px] text-surface leading-tight"
        >
          <TriangleAlert size={22} aria-hidden className="shrink-0" />
          <span>
            {say.rich('<b>Salt {percent} %</b>, the house wants {wanted} %: a slip, or too salty?', {
              b: (text) => <b>{text}</b>,
              percent: seen.saltPercent.toFixed(2),
              wanted: followed.kitchen.saltPercent.toFixed(2),
            })}
          </span>
        </p>
      )}
      {!salty && to.short && (
        <p className="shrink-0 border-ink border-b-2 bg-surface px-4 py-1.5 text-[16px] leading-tight">
          {to.short.kind === 'thin'
            ? say.rich(
                '<b>Short by {flour} of flour</b>: {cornstarch} cornstarch as a slurry, or that flour with butter.',
                {
                  b: (text) => <b>{text}</b>,
                  flour: { g: to.short.flour },
                  cornstarch: { g: to.short.cornstarch },
                },
              )
            : say.rich('<b>Over</b>: let it down with {liquidMl} of stock or milk.', {
                b: (text) => <b>{text}</b>,
                liquidMl: volumeWords(to.short.liquidMl, show),
              })}
        </p>
      )}
    </>
  );
}

/** What is read off the pot, a tap away. */
function Pads({ batchId, onRead, onDevices }: Pick<Props, 'batchId' | 'onRead' | 'onDevices'>) {
  const say = useSay();
  return (
    <section aria-label={say('Readings')} className="grid shrink-0 grid-cols-3 gap-2 px-3 pb-3">
      {PADS.slice(0, 2).map((p) => (
        <Pad key={p.kind} {...p} onRead={onRead} />
      ))}
      <Link href={`/check?batch=${batchId}`} className={PAD}>
        <Droplets size={22} aria-hidden /> {say('Flow test')}
      </Link>
      {PADS.slice(2).map((p) => (
        <Pad key={p.kind} {...p} onRead={onRead} />
      ))}
      <button type="button" onClick={onDevices} className={PAD}>
        <Wifi size={22} aria-hidden /> {say('Devices')}
      </button>
      <Link
        href={`/fix?batch=${batchId}`}
        className="col-span-3 flex min-h-13 items-center justify-center gap-2 rounded-sm border-2 border-tomato bg-surface font-bold text-tomato"
      >
        <Wrench size={22} aria-hidden /> {say('Something’s wrong')}
      </Link>
    </section>
  );
}

const PAD = `${BUTTON} wrap-anywhere min-h-16 flex-col gap-0.5 px-1! text-[16px] leading-tight`;

function Pad({ kind, words, icon: Icon, onRead }: (typeof PADS)[number] & { onRead: Props['onRead'] }) {
  return (
    <button type="button" onClick={() => onRead(kind)} className={PAD}>
      <Icon size={22} aria-hidden /> {useSay()(words)}
    </button>
  );
}
