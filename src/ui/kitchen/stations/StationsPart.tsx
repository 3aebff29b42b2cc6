'use client';

import { useCallback, useEffect, useId, useState } from 'react';
import type { CodeMade, StationsTold, StationTold } from '../../../contract/stations';
import { type Message, message } from '../../../core/message/message';
import { ACCESS, type Access } from '../../../core/record/access';
import { dayAndTime } from '../../../core/units/clock';
import { ask, problemWords } from '../../device/line/api';
import { Field, Pick } from '../../shared/form/Field';
import { useReally } from '../../shared/hooks/useReally';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { CodeCard } from './CodeCard';
import { PinCard } from './PinCard';

const CARD = 'grid gap-4 rounded-sm border-2 border-ink bg-surface p-5';

/** What a station may do, in words. */
export const MAY: Readonly<Record<Access, { readonly name: Message; readonly may: Message }>> = {
  line: { name: message('Line'), may: message('cooks, keeps, plans the day') },
  lead: {
    name: message('Lead'),
    may: message('the same, and with the PIN recipes, kitchen, rules, stations'),
  },
  trainee: { name: message('Trainee'), may: message('cooks and reads; throws nothing away, signs nothing') },
  inspector: { name: message('Inspector'), may: message('reads the record, and nothing else') },
};

/** Which screens may come in over the network, and as what; a code for another; the lead’s PIN. */
export function StationsPart({ roles }: { readonly roles: readonly string[] }) {
  const say = useSay();
  const [told, setTold] = useState<StationsTold | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [made, setMade] = useState<{ readonly code: CodeMade; readonly name: string } | null>(null);
  const load = useCallback(async () => {
    const answer = await ask('GET /api/stations', {});
    setProblem(answer.ok ? null : say(problemWords(answer.problems)));
    if (answer.ok) setTold(answer.body);
  }, [say]);
  useEffect(() => {
    void load();
  }, [load]);
  // While a code stands the one it lets in may come any moment.
  useEffect(() => {
    if (!made) return;
    const look = setInterval(() => void load(), 3000);
    return () => clearInterval(look);
  }, [made, load]);
  const over = useCallback(() => setMade(null), []);
  const known = told?.stations.length ?? 0;
  const [before, setBefore] = useState(0);
  // Let in: the code is used up.
  useEffect(() => {
    if (made && known > before) setMade(null);
  }, [made, known, before]);
  return (
    <div className="grid max-w-250 gap-5">
      {problem && (
        <p role="alert" className="font-bold text-tomato">
          {problem}
        </p>
      )}
      {made ? (
        <CodeCard made={made.code} name={made.name} onOver={over} />
      ) : (
        <NewCode
          roles={roles}
          onMade={(code, name) => {
            setBefore(known);
            setMade({ code, name });
          }}
        />
      )}
      {told && <StationList stations={told.stations} onChanged={() => void load()} />}
      {told && <PinCard set={told.pinSet} onSet={() => void load()} />}
    </div>
  );
}

function NewCode({
  roles,
  onMade,
}: {
  readonly roles: readonly string[];
  readonly onMade: (code: CodeMade, name: string) => void;
}) {
  const say = useSay();
  const id = useId();
  const [name, setName] = useState('');
  const [access, setAccess] = useState<Access>('line');
  const [worksAs, setWorksAs] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const make = async () => {
    const answer = await ask('POST /api/stations/codes', { body: { name, access, worksAs } });
    setProblem(answer.ok ? null : say(problemWords(answer.problems)));
    if (answer.ok) onMade(answer.body, name.trim());
  };
  // Inside the kitchen’s own form another may not stand.
  return (
    <section className={CARD} aria-label={say('Let another screen in')}>
      <h2 className="font-bold text-[24px]">{say('Let another screen in')}</h2>
      <div className="grid gap-4 min-[720px]:grid-cols-3">
        <Field
          id={`${id}-name`}
          label={say('What it is called')}
          value={name}
          maxLength={40}
          placeholder={say('tablet at the stove')}
          onChange={(e) => setName(e.target.value)}
          problem={problem ?? undefined}
        />
        <Pick
          id={`${id}-access`}
          label={say('What it may do')}
          value={access}
          onChange={(e) => setAccess(ACCESS.find((a) => a === e.target.value) ?? 'line')}
          hint={say(MAY[access].may)}
        >
          {ACCESS.map((a) => (
            <option key={a} value={a}>
              {say(MAY[a].name)}
            </option>
          ))}
        </Pick>
        <Pick
          id={`${id}-as`}
          label={say('Whose it is')}
          value={worksAs}
          onChange={(e) => setWorksAs(e.target.value)}
          hint={say('lines of the record are signed so')}
        >
          <option value="">{say('nobody’s in particular')}</option>
          {roles.map((r) => (
            <option key={r} value={r}>
              {r}
            </option>
          ))}
        </Pick>
      </div>
      <button
        type="button"
        disabled={name.trim() === ''}
        className={`${PRIMARY} justify-self-start`}
        onClick={() => void make()}
      >
        {say('Show a code')}
      </button>
    </section>
  );
}

function StationList({
  stations,
  onChanged,
}: {
  readonly stations: readonly StationTold[];
  readonly onChanged: () => void;
}) {
  const say = useSay();
  const [naming, setNaming] = useState<Naming>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const told = (answer: Told) => {
    setProblem(answer.ok ? null : say(problemWords(answer.problems)));
    if (answer.ok) {
      setNaming(null);
      onChanged();
    }
  };
  if (stations.length === 0)
    return (
      <p className="text-[19px]">{say('No screen has been let in: this machine’s own needs no key.')}</p>
    );
  return (
    <section aria-label={say('Stations')} className="grid gap-2">
      <h2 className="font-bold text-[24px]">{say('Stations')}</h2>
      {problem && (
        <p role="alert" className="font-bold text-tomato">
          {problem}
        </p>
      )}
      <ul className="border-ink border-t-2">
        {stations.map((s) => (
          <Station key={s.id} station={s} naming={naming} onNaming={setNaming} onTold={told} />
        ))}
      </ul>
    </section>
  );
}

type Naming = { readonly id: string; readonly name: string } | null;
type Told = Awaited<ReturnType<typeof ask<'DELETE /api/stations/[id]'>>>;

type StationProps = {
  readonly station: StationTold;
  /** The one whose name is typed, and what is. */
  readonly naming: Naming;
  readonly onNaming: (naming: Naming) => void;
  readonly onTold: (answer: Told) => void;
};

function Station({ station: s, naming, onNaming, onTold }: StationProps) {
  const say = useSay();
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-rule border-b py-2.5">
      <div className="min-w-0 flex-1">
        {naming?.id === s.id ? (
          <Field
            id={`name-${s.id}`}
            label={say('What it is called')}
            hideLabel
            value={naming.name}
            maxLength={40}
            onChange={(e) => onNaming({ id: s.id, name: e.target.value })}
          />
        ) : (
          <p className={`font-bold text-[21px] ${s.revokedAt ? 'text-quiet line-through' : ''}`}>
            {s.name}
            {s.mine && <span className="font-normal text-quiet"> {say('(this one)')}</span>}
          </p>
        )}
        <p className="text-[17px] text-quiet">
          {[
            say(MAY[s.access].name),
            s.worksAs,
            s.revokedAt
              ? say('revoked {at}', { at: dayAndTime(new Date(s.revokedAt)) })
              : say('last seen {at}', { at: dayAndTime(new Date(s.seenAt)) }),
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
      </div>
      {!s.revokedAt && <Changes station={s} naming={naming} onNaming={onNaming} onTold={onTold} />}
    </li>
  );
}

/** Renames it, or revokes its key. */
function Changes({ station: s, naming, onNaming, onTold }: StationProps) {
  const say = useSay();
  const { really, sheet } = useReally();
  return (
    <>
      {sheet}
      <button
        type="button"
        className={BUTTON}
        onClick={() => {
          if (naming?.id !== s.id) return onNaming({ id: s.id, name: s.name });
          void ask('PUT /api/stations/[id]', {
            at: { id: s.id },
            body: { name: naming.name },
          }).then(onTold);
        }}
      >
        {naming?.id === s.id ? say('Keep the name') : say('Rename')}
      </button>
      <button
        type="button"
        aria-label={say('Revoke {name}', { name: s.name })}
        className={`${BUTTON} border-tomato text-tomato`}
        onClick={() =>
          really(
            message('Revoke {name}? It shows nothing of the kitchen from now on; what it wrote stays.', {
              name: s.name,
            }),
            () => void ask('DELETE /api/stations/[id]', { at: { id: s.id }, body: {} }).then(onTold),
          )
        }
      >
        {say('Revoke')}
      </button>
    </>
  );
}
