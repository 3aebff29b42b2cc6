import type { ChangedLine } from '../../../core/formats/changedLines';
import { message } from '../../../core/message/message';
import { useSay } from '../hooks/useSay';

const SIGN = { in: '+', out: '−', same: ' ' } as const;
const SAID = { in: message('In:'), out: message('Out:'), same: null } as const;
const STYLE = { in: 'text-chive font-bold', out: 'text-tomato line-through', same: 'text-quiet' } as const;

/** What changed, a line a thing: what came in, what went out, and a little of what is around it. */
export function ChangedLines({ lines }: { readonly lines: readonly ChangedLine[] }) {
  const say = useSay();
  return (
    <ul translate="no" className="px-4 py-3">
      {lines.map((c, i) => {
        const key = `${i} ${c.text}`;
        const said = SAID[c.kind];
        return (
          <li key={key} className={`flex gap-3 whitespace-pre-wrap ${STYLE[c.kind]}`}>
            <span aria-hidden className="figures w-4 shrink-0 no-underline">
              {SIGN[c.kind]}
            </span>
            {said && <span className="sr-only">{say(said)} </span>}
            {c.text}
          </li>
        );
      })}
    </ul>
  );
}
