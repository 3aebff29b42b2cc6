import type { KeptRecord } from '../../../contract/keep';
import { PAGE } from '../../../core/keep/written/entries';
import { dayAndTime } from '../../../core/units/clock';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';

type Told = Pick<KeptRecord, 'entries' | 'at' | 'of' | 'wholeTo'>;

/** Which lines of all there are these are, and the way to the others; where one record does not take all, up to when it goes. */
export function Pages({ told, onPage }: { told: Told; onPage: (page: number) => void }) {
  const say = useSay();
  const { at, of, entries, wholeTo } = told;
  const page = Math.floor(at / PAGE);
  return (
    <>
      {of > entries.length && (
        <nav aria-label={say('Pages')} className="flex flex-wrap items-center gap-3 px-3 py-3">
          <button type="button" className={BUTTON} disabled={at === 0} onClick={() => onPage(page - 1)}>
            {say('Before')}
          </button>
          <p className="text-[17px]">
            {say('Lines {from} to {to} of {of}', { from: at + 1, to: at + entries.length, of })}
          </p>
          <button
            type="button"
            className={BUTTON}
            disabled={at + entries.length >= of}
            onClick={() => onPage(page + 1)}
          >
            {say('After')}
          </button>
        </nav>
      )}
      {wholeTo !== null && (
        <p role="status" className="px-3 py-3 font-bold text-[17px] text-tomato">
          {say(
            'More was written down than one record takes: it goes up to {at}. Ask for the days after that by themselves.',
            {
              at: dayAndTime(new Date(wholeTo)),
            },
          )}
        </p>
      )}
    </>
  );
}
