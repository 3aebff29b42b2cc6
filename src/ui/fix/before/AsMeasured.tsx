import type { Ages } from '../../../core/adjust/measured';
import { type Message, message } from '../../../core/message/message';
import type { Observation } from '../../../core/pot/observe';
import { mPas } from '../../../core/units/shown/format';
import { degrees, volumeWords } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';

const ago = (now: number, at: number): Message => {
  const minutes = Math.max(0, Math.round((now - at) / 60_000));
  return minutes < 1 ? message('just now') : message('{minutes} min ago', { minutes });
};

type Props = {
  readonly name: string;
  readonly seen: Observation;
  readonly ages: Ages;
  readonly now: number;
};

/** The pot as it is taken to be, and how old the readings are that say so. */
export function AsMeasured({ name, seen, ages, now }: Props) {
  const say = useSay();
  const show = useShow();
  return (
    <p className="text-[18px] leading-snug">
      {say.rich(
        '<b>{name}</b>, as measured: <b>{bowlViscosity} mPa·s</b> in the bowl ({flow}), <b>{volumeMl}</b> ({level}), <b>{celsius}</b> ({heat}).',
        {
          b: (text) => <b>{text}</b>,
          name,
          bowlViscosity: mPas(seen.bowlViscosity),
          flow:
            ages.flow === null
              ? say('by the model, no flow test yet')
              : ages.since
                ? say('by the model; the flow test {ago} was before “{since}”', {
                    ago: ago(now, ages.flow),
                    since: ages.since,
                  })
                : say('flow test {ago}', { ago: ago(now, ages.flow) }),
          volumeMl: volumeWords(seen.volumeMl, show),
          level: ages.level === null ? say('by the model') : ago(now, ages.level),
          celsius: degrees(seen.celsius, show),
          heat: ages.heat === null ? say('by the model') : ago(now, ages.heat),
        },
      )}
    </p>
  );
}
