import type { Ages } from '../../core/adjust/measured';
import type { Observation } from '../../core/pot/observe';
import { mPas } from '../../core/units/format';
import { degrees, volumeWords } from '../../core/units/show';
import { useShow } from '../shared/useShow';

const ago = (now: number, at: number): string => {
  const minutes = Math.max(0, Math.round((now - at) / 60_000));
  return minutes < 1 ? 'just now' : `${minutes} min ago`;
};

type Props = {
  readonly name: string;
  readonly seen: Observation;
  readonly ages: Ages;
  readonly now: number;
};

/** The pot as it is taken to be, and how old the readings are that say so. */
export function AsMeasured({ name, seen, ages, now }: Props) {
  const show = useShow();
  return (
    <p className="text-[18px] leading-snug">
      <b>{name}</b>, as measured: <b>{mPas(seen.bowlViscosity)} mPa·s</b> in the bowl (
      {ages.flow === null ? 'by the model, no flow test yet' : `flow test ${ago(now, ages.flow)}`}),{' '}
      <b>{volumeWords(seen.volumeMl, show)}</b> ({ages.level === null ? 'by the model' : ago(now, ages.level)}
      ), <b>{degrees(seen.celsius, show)}</b> ({ages.heat === null ? 'by the model' : ago(now, ages.heat)}).
    </p>
  );
}
