import type { House } from '../../../core/kitchen/house';
import type { WaterTested } from '../../../core/learn/waterTest';
import { spaced } from '../../../core/units/shown/format';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { BUTTON, PRIMARY } from '../../shared/styles';

export const CARD = 'rounded-sm border-2 border-ink bg-surface p-4';

export type Past = {
  readonly id: string;
  readonly vesselId: string;
  readonly burnerId: string;
  readonly madeAt: string;
  readonly lossFactor: number;
  readonly intoPotW: number;
};

type ResultProps = {
  readonly tested: WaterTested;
  /** "Tall Steel 36 on Front left" */
  readonly name: string;
  readonly onAnother: () => void;
};

/** What a water test has found of a pot and a burner. */
export function WaterTestResult({ tested, name, onAnother }: ResultProps) {
  const say = useSay();
  return (
    <section aria-labelledby="w-result" className={`${CARD} grid gap-3`} aria-live="polite">
      <h2 id="w-result" className="font-bold text-[27px]">
        {name}
      </h2>
      <p>
        {say.rich(
          '<b>{lossFactor} ×</b> the model’s water loss: {lostG} went, the model alone says {expectedG}.',
          {
            b: (text) => <b className="figures text-[34px]">{text}</b>,
            lossFactor: spaced(tested.lossFactor, 2),
            lostG: { g: tested.lostG },
            expectedG: { g: tested.expectedG },
          },
        )}
      </p>
      <p>
        {say.rich('<b>{intoPotW} kW</b> reach the pot on the full flame, {efficiency} % of what is rated.', {
          b: (text) => <b className="figures text-[34px]">{text}</b>,
          intoPotW: spaced(tested.intoPotW / 1000, 2),
          efficiency: Math.round(tested.efficiency * 100),
        })}
      </p>
      <p>{say('Every plan with them counts so from now on, and is surer of where it lands.')}</p>
      <div className="flex flex-wrap gap-3">
        <Link href="/kitchen?part=pots" className={PRIMARY}>
          {say('Done')}
        </Link>
        <button type="button" className={BUTTON} onClick={onAnother}>
          {say('Another test')}
        </button>
      </div>
    </section>
  );
}

/** The tests made so far, newest first. */
export function PastWaterTests({ past, house }: { past: readonly Past[]; house: House }) {
  const say = useSay();
  if (past.length === 0) return null;
  const nameIn = (all: readonly { id: string; name: string }[], id: string) =>
    all.find((x) => x.id === id)?.name ?? id;
  return (
    <section aria-labelledby="w-past" className="mt-5">
      <h2 id="w-past" className="font-bold">
        {say('Tests so far')}
      </h2>
      <ul>
        {past.map((p) => (
          <li key={p.id} className="border-rule border-b py-2">
            {say.rich('{slice} · {name} on {name2}: <b>{lossFactor} ×</b>, <b>{intoPotW} kW</b>', {
              b: (text) => <b className="figures">{text}</b>,
              slice: p.madeAt.slice(0, 10),
              name: nameIn(house.vessels, p.vesselId),
              name2: nameIn(house.burners, p.burnerId),
              lossFactor: spaced(p.lossFactor, 2),
              intoPotW: spaced(p.intoPotW / 1000, 2),
            })}
          </li>
        ))}
      </ul>
    </section>
  );
}
