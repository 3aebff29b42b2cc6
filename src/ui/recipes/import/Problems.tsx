import { problemWords, type ToldProblem } from '../../device/line/api';
import { useSay } from '../../shared/hooks/useSay';

/** Why something that was opened cannot be used. */
export function Problems({
  name,
  problems,
}: {
  readonly name: string;
  readonly problems: readonly ToldProblem[];
}) {
  const say = useSay();
  if (problems.length === 0) return null;
  return (
    <div role="alert" className="rounded-sm border-2 border-tomato bg-surface p-4">
      <h2 className="font-bold text-[21px] text-tomato">{say('{name} cannot be used', { name })}</h2>
      <ul className="mt-2 list-disc pl-6">
        {problems.map((p) => (
          <li key={`${p.field}${say.either(p.given)}`}>
            <b>{p.field}</b>: {say(problemWords([p]))}
          </li>
        ))}
      </ul>
      <p className="mt-2">{say('Nothing was kept. Mend it there and choose it again.')}</p>
    </div>
  );
}
