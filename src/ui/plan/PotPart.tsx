'use client';

import { FileOutput, Scaling } from 'lucide-react';
import { Suspense, useMemo, useState } from 'react';
import type { Plan } from '../../core/plan/types';
import type { Show } from '../../core/units/shown/show';
import { volumeWords } from '../../core/units/shown/show';
import { momentWords } from '../../core/words/moment';
import { fireWords } from '../../core/words/steps';
import { PotDrawing } from '../shared/draw/PotDrawing';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';
import { lazily } from '../shared/lazily';
import { HEAD_BUTTON } from '../shared/styles';
import { levelsOf } from './levels';

const Lanes = lazily(async () => (await import('./pans/Lanes')).Lanes);
const Trajectory = lazily(async () => (await import('./Trajectory')).Trajectory);

/** Share of the volume in pieces from which the spoon finds it thicker. Our assumption. */
const CROWDED = 0.2;

/** % of alcohol from which it is worth a word. */
const SOME_ALCOHOL = 0.02;

type Props = {
  readonly plan: Plan;
  readonly lightAt: Date | null;
  readonly show: Show;
  readonly onSizes: () => void;
  readonly onTakeAway: () => void;
};

/** The pot as it will stand, or its way along the clock, and what the fire does. */
export function PotPart({ plan, lightAt, show, onSizes, onTakeAway }: Props) {
  const say = useSay();
  const [picture, setPicture] = useState<'pot' | 'pans' | 'clock'>('pot');
  const levels = useMemo(() => levelsOf(plan), [plan]);
  const several = Object.keys(plan.beside).length > 0;
  return (
    <section
      aria-label={say('The pot')}
      className="flex min-h-0 flex-col border-ink px-4 py-2 max-[1100px]:h-112 min-[720px]:border-r-2"
    >
      <h2 className="sr-only">{plan.setup.vessel.name}</h2>
      <div className="flex flex-wrap items-center justify-between gap-1">
        <Segments
          label={say('Shown as')}
          value={picture}
          onChange={setPicture}
          options={[
            { value: 'pot', words: say('Pot') },
            ...(several ? [{ value: 'pans' as const, words: say('Pans') }] : []),
            { value: 'clock', words: say('Clock') },
          ]}
        />
        <button type="button" className={HEAD_BUTTON} onClick={onSizes}>
          <Scaling size={20} aria-hidden /> {say('Sizes')}
        </button>
        <button
          type="button"
          className={HEAD_BUTTON}
          onClick={onTakeAway}
          aria-label={say('Print or export')}
        >
          <FileOutput size={20} aria-hidden />
          {/* Three pictures leave no room for its word. */}
          {several ? '' : say('Print')}
        </button>
      </div>
      <div className="min-h-56 flex-1 pt-1">
        {picture === 'pot' ? (
          <PotDrawing
            vessel={plan.setup.vessel}
            levels={levels}
            pieces={plan.solved.run.pot.pieces}
            show={show}
          />
        ) : (
          <Suspense fallback={<p className="text-quiet">{say('Drawing it …')}</p>}>
            {picture === 'pans' && several ? (
              <Lanes plan={plan} lightAt={lightAt} />
            ) : (
              <Trajectory plan={plan} lightAt={lightAt} show={show} />
            )}
          </Suspense>
        )}
      </div>
      <Told plan={plan} lightAt={lightAt} show={show} several={several} />
    </section>
  );
}

type ToldProps = Pick<Props, 'plan' | 'lightAt' | 'show'> & {
  /** It is made in several pans. */
  readonly several: boolean;
};

/** When it is lit, what the fire does, and what is on the pass. */
function Told({ plan, lightAt, show, several }: ToldProps) {
  const say = useSay();
  // Of several pans what the flame under the pot does.
  const fire = fireWords(plan.steps.filter((s) => s.pan === ''));
  const { found } = plan;
  return (
    <p className="pt-1">
      <b>
        {lightAt
          ? several
            ? say('Begun {time}; the pot on {burner}.', {
                burner: plan.setup.burner.name,
                time: momentWords(lightAt, new Date()),
              })
            : say('{burner}, lit {time}.', {
                burner: plan.setup.burner.name,
                time: momentWords(lightAt, new Date()),
              })
          : `${plan.setup.burner.name}.`}
      </b>{' '}
      {fire && say(fire)}
      <br />
      {say.rich('Gives off <b>{steamG}</b> of water on the way.', {
        b: (text) => <b>{text}</b>,
        steamG: volumeWords(plan.steamG, show),
      })}
      <br />
      {say(
        'On the pass {fat} % fat, {salt} % salt, pH {pH}{wine, select, yes {, {alcohol} % alcohol left} other {}}.',
        {
          fat: (found.fatFraction * 100).toFixed(1),
          salt: found.saltPercent.toFixed(2),
          pH: found.pH.toFixed(1),
          wine: found.alcoholPercent >= SOME_ALCOHOL ? 'yes' : 'no',
          alcohol: found.alcoholPercent.toFixed(2),
        },
      )}
      {found.piecesShare >= CROWDED && (
        <>
          <br />
          {say(
            'Pieces fill {share} % of it: on the spoon it seems thicker than its liquid, which is what is counted.',
            {
              share: Math.round(found.piecesShare * 100),
            },
          )}
        </>
      )}
    </p>
  );
}
