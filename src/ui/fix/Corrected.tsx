import type { BatchEvent } from '../../core/batch/events';
import { placeAlone } from '../../core/flow/readings/repeated';
import { mPas } from '../../core/units/shown/format';
import { useSay } from '../shared/hooks/useSay';

/** Corrections so far: what was predicted, and what a test then found. */
export function Corrected({ events, fat }: { events: readonly BatchEvent[]; fat: number }) {
  const say = useSay();
  const done = events.flatMap((e, n) =>
    e.body.kind === 'corrected' ? [{ id: e.id, body: e.body, after: events.slice(n + 1) }] : [],
  );
  if (done.length === 0) return null;
  return (
    <ul aria-label={say('Corrections so far')} className="text-[16px] leading-tight">
      {done.map(({ id, body, after }) => {
        const test = after.find((e) => e.body.kind === 'flow');
        let found: number | null = null;
        try {
          if (test?.body.kind === 'flow')
            found = placeAlone(test.body.test, test.body.readings, test.body.celsius, fat).bowl;
        } catch (error) {
          if (!(error instanceof RangeError)) throw error;
        }
        return (
          <li key={id} className="border-rule border-t py-1">
            {say.rich(
              found === null
                ? '<b>{title}</b>: {predicted} predicted, not tested yet'
                : '<b>{title}</b>: {predicted} predicted, {found} found',
              {
                b: (text) => <b>{text}</b>,
                title: body.title,
                predicted: mPas(body.predicted),
                found: found === null ? '' : mPas(found),
              },
            )}
          </li>
        );
      })}
    </ul>
  );
}
