import { useSay } from '../../shared/hooks/useSay';
import { PRIMARY } from '../../shared/styles';

type Props = {
  /** % of salt in it by what went in. */
  readonly held: number;
  /** g of salt still to come. */
  readonly g: number;
  readonly onLeave: () => void;
};

/** Called salty before its salt is in: what is still to come is left out. */
export function SaltLeft({ held, g, onLeave }: Props) {
  const say = useSay();
  return (
    <p className="flex flex-wrap items-center gap-3 border-2 border-ink px-3 py-2">
      <span className="min-w-0 flex-1 basis-64 text-[18px]">
        {say.rich(
          'Its salt is not in yet: by what went in it holds <b>{held} %</b>. <b>{g}</b> are still to come: leave them out, and taste again at the pass.',
          { b: (text) => <b>{text}</b>, held: held.toFixed(2), g: { g } },
        )}
      </span>
      <button type="button" className={PRIMARY} onClick={onLeave}>
        {say('Leave the salt out')}
      </button>
    </p>
  );
}
