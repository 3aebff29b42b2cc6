import { ShieldCheck, ShieldX } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { findingWords, type NamedFinding } from '../../../core/record/findingWords';
import { type ChainFollowed, together } from '../../../core/record/followed';
import { ask, problemWords } from '../../device/line/api';
import { headsKept } from '../../device/line/heads';
import { Progress } from '../../shared/draw/Progress';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';

/** Lines asked for at once: a second or so, after which whoever waits sees how far it is. */
const AT_A_TIME = 10_000;

/** The whole record followed line by line: how far it is shown, stopped at any time, and gone on with from there. */
export function Verify({ onProblem }: { onProblem: (says: string) => void }) {
  const say = useSay();
  const [followed, setFollowed] = useState<ChainFollowed<NamedFinding> | null>(null);
  const [going, setGoing] = useState(false);
  const stopped = useRef(false);
  useEffect(
    () => () => {
      stopped.current = true;
    },
    [],
  );
  const follow = async () => {
    stopped.current = false;
    setGoing(true);
    let so = followed?.done ? null : followed;
    setFollowed(so);
    while (!stopped.current && !so?.done) {
      const answer = await ask('POST /api/record/verify', {
        body: {
          heads: headsKept(),
          atMost: AT_A_TIME,
          ...(so && { after: so.head }),
        },
      });
      if (!answer.ok) {
        onProblem(say(problemWords(answer.problems)));
        break;
      }
      so = so ? together(so, answer.body) : answer.body;
      setFollowed(so);
    }
    setGoing(false);
  };
  return (
    <div className="border-rule border-t pt-3">
      <button
        type="button"
        className={`${BUTTON} w-full`}
        onClick={() => {
          if (going) stopped.current = true;
          else void follow();
        }}
      >
        {going ? say('Stop') : followed && !followed.done ? say('Go on') : say('Was anything changed?')}
      </button>
      {followed && !followed.done && (
        <div className="mt-2">
          <Progress label={say('Lines followed')} done={followed.head.n} of={followed.of} />
          <p className="text-[17px]">
            {say('{n} of {of} lines followed', { n: followed.head.n, of: followed.of })}
          </p>
        </div>
      )}
      {followed && (followed.done || followed.findings.length > 0) && <Found followed={followed} />}
    </div>
  );
}

/** What does not agree; or that all of it does. */
function Found({ followed }: { readonly followed: ChainFollowed<NamedFinding> }) {
  const say = useSay();
  const found = followed.findings;
  return (
    <div role="status" className="mt-2">
      <p className={`flex items-center gap-2 font-bold ${found.length > 0 ? 'text-tomato' : 'text-chive'}`}>
        {found.length > 0 ? <ShieldX aria-hidden /> : <ShieldCheck aria-hidden />}
        {found.length > 0
          ? say('{count, plural, one {One thing does} other {# things do}} not agree', {
              count: found.length + followed.more,
            })
          : say('Nothing: all {links} lines follow', { links: followed.links })}
      </p>
      <ul className="mt-1 grid gap-1 text-[15px]">
        {found.map((f) => (
          <li key={JSON.stringify(f.finding)}>{say(findingWords(f))}</li>
        ))}
      </ul>
      {followed.more > 0 && (
        <p className="mt-1 text-[15px]">{say('and {more} more', { more: followed.more })}</p>
      )}
      {followed.aside > 0 && (
        <p className="mt-1 font-bold text-[15px] text-tomato">
          {say(
            '{aside, plural, one {One line stands} other {# lines stand}} aside, another has the id: “./panache mend” on the machine Panache runs on puts it back',
            { aside: followed.aside },
          )}
        </p>
      )}
      {followed.away.map((a) => (
        <p key={a.file} className="mt-1 text-[15px]">
          {say('{lines} of them are put away in {file}: followed, not looked at', a)}
        </p>
      ))}
      {followed.done && (
        <p className="mt-1 text-[13px] text-quiet [overflow-wrap:anywhere]">
          {say('Head {n}:{hash}', { n: followed.head.n, hash: followed.head.hash })}
        </p>
      )}
    </div>
  );
}
