import { DOSED } from '../../../core/adjust/faults';
import type { Cure, Option } from '../../../core/adjust/option';
import { useSay } from '../../shared/hooks/useSay';
import type { Fix } from '../useFix';
import { CureCard } from './CureCard';
import { OptionCard } from './OptionCard';

type Props = {
  readonly fix: Fix;
  /** What every card of a dose says besides the dose. */
  readonly common: Pick<Parameters<typeof OptionCard>[0], 'band' | 'now' | 'currency' | 'owedMl'>;
  readonly chosen: Option | null;
  readonly onChoose: (id: string) => void;
  readonly onDo: (option: Option) => void;
  readonly onFirst: (option: Option) => void;
  readonly onCure: (cure: Cure) => void;
};

/** All there is to do about what is wrong, what serves best first; beside what contradicts itself, nothing but doses. */
export function Corrections({ fix, common, chosen, onChoose, onDo, onFirst, onCure }: Props) {
  const say = useSay();
  const { clash, advice, minutes } = fix;
  const left = advice?.otherwise ?? null;
  const cures = clash ? [] : (advice?.cures ?? []);
  const card = (o: Option, key: string, onChoose = () => {}) => (
    <OptionCard
      key={key}
      option={o}
      {...common}
      chosen={key === chosen?.id}
      onChoose={onChoose}
      onDo={() => onDo(o)}
      onFirst={() => onFirst(o)}
    />
  );
  const cureCards = (dosed: boolean) =>
    cures
      .filter((c) => DOSED.has(c.fault) === dosed)
      .map((c) => <CureCard key={c.fault} cure={c} onDo={() => onCure(c)} />);
  return (
    <ul aria-label={say('Corrections')} className="flex flex-col gap-3 pb-4">
      {cureCards(false)}
      {!clash && left && (
        <>
          <li className="list-none font-bold text-[19px]">
            {say('Nothing fits the {minutes} min. The quickest is on the pass {late} min late:', {
              minutes: Math.max(0, Math.floor(minutes)),
              late: Math.max(1, Math.ceil(left.late)),
            })}
          </li>
          {card(left.quickest, `quickest ${left.quickest.id}`)}
          {left.smaller && (
            <>
              <li className="list-none font-bold text-[19px]">
                {say('What a smaller step reaches by then:')}
              </li>
              {card(left.smaller, `smaller ${left.smaller.id}`)}
            </>
          )}
        </>
      )}
      {(advice?.options ?? []).map((o) => card(o, o.id, () => onChoose(o.id)))}
      {/* What a dose mends by itself comes before what takes more. */}
      {cureCards(true)}
      {cures.map((c) => c.option && card(c.option, `${c.fault} ${c.option.id}`))}
    </ul>
  );
}
