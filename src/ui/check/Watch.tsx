import { clsx } from 'clsx';
import type { FlowTestMethod } from '../shared/flowTests';
import { useSay } from '../shared/hooks/useSay';
import { Drawing } from './Drawing';

/** The test drawn, and how it is done. */
export function HowTo({ kind }: { kind: FlowTestMethod }) {
  const say = useSay();
  return (
    <div className="grid grid-cols-[150px_1fr] items-center gap-4">
      <div className="h-32">
        <Drawing draws={kind.draws} />
      </div>
      <ol className="grid gap-1 text-[19px] leading-tight">
        {kind.how.map((line, n) => (
          <li key={line.text} className="grid grid-cols-[1.4rem_1fr]">
            <b>{n + 1}</b>
            {say(line)}
          </li>
        ))}
      </ol>
    </div>
  );
}

type Props = {
  readonly kind: FlowTestMethod;
  /** s the watch has run; null when it stands. */
  readonly seconds: number | null;
  readonly onPress: () => void;
};

/** A stop-watch as large as a hand: it is the reading, or counts down to it. */
export function Watch({ kind, seconds, onPress }: Props) {
  const say = useSay();
  const waiting = kind.waits !== null && seconds !== null;
  return (
    <button
      type="button"
      onClick={onPress}
      className={clsx(
        'mt-3 flex min-h-40 flex-1 flex-col items-center justify-center rounded-sm border-2 border-ink',
        seconds === null ? 'bg-butter text-on-butter' : 'bg-ink text-surface',
      )}
    >
      <span role="timer" className="figures font-bold text-[clamp(64px,9vw,112px)] leading-none">
        {seconds === null
          ? '0.0'
          : waiting
            ? Math.max(0, (kind.waits ?? 0) - seconds).toFixed(1)
            : seconds.toFixed(1)}
      </span>
      <span className="font-bold text-[24px]">
        {seconds === null
          ? kind.waits === null
            ? say('Start')
            : say('Start the {waits} s', { waits: kind.waits })
          : waiting
            ? seconds >= (kind.waits ?? 0)
              ? say('Now: take a reading. Tap to end')
              : say('Wait')
            : say('Stop')}
      </span>
      <span className="text-[16px]">{say('tap anywhere here, or the space bar')}</span>
    </button>
  );
}
