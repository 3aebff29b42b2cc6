import type { BatchEvent } from '../../core/batch/events';
import { placeAlone } from '../../core/flow/readings/repeated';
import { mPas } from '../../core/units/format';

/** Corrections so far: what was predicted, and what a test then found. */
export function Corrected({ events, fat }: { events: readonly BatchEvent[]; fat: number }) {
  const done = events.flatMap((e, n) =>
    e.body.kind === 'corrected' ? [{ id: e.id, body: e.body, after: events.slice(n + 1) }] : [],
  );
  if (done.length === 0) return null;
  return (
    <ul aria-label="Corrections so far" className="text-[16px] leading-tight">
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
            <b>{body.title}</b>: {mPas(body.predicted)} predicted,{' '}
            {found === null ? 'not tested yet' : `${mPas(found)} found`}
          </li>
        );
      })}
    </ul>
  );
}
