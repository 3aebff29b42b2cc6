'use client';

import { Download, Undo2 } from 'lucide-react';
import { useRef, useState } from 'react';
import type { BackupsTold, ImportTold, TakenIn } from '../../contract/kitchen';
import { type Message, message } from '../../core/message/message';
import { leftOutWords } from '../../core/record/awayWords';
import { dayAndTime } from '../../core/units/clock';
import { ask, askAsItGoes, problemWords, type ToldProblem } from '../device/line/api';
import { Progress } from '../shared/draw/Progress';
import { FileButton } from '../shared/form/FileButton';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../shared/styles';

const CARD = 'rounded-sm border-2 border-ink bg-surface p-5';
const MOST_BYTES = 512_000_000;

const recipes = (n: number): Message => message('{n, plural, one {# recipe} other {# recipes}}', { n });
const batches = (n: number): Message => message('{n, plural, one {# batch} other {# batches}}', { n });
const kept = (n: number): Message => message('{n, plural, one {# thing kept} other {# things kept}}', { n });
const services = (n: number): Message => message('{n, plural, one {# service} other {# services}}', { n });

/** ms after which a backup that is made by itself is overdue: days a kitchen may be closed are no alarm. */
const OVERDUE = 3 * 86_400_000;

/** Whether the database is backed up by itself, and since when not. */
function BackupNote({ backups }: { readonly backups: BackupsTold | null }) {
  const say = useSay();
  const at = backups?.newest ? new Date(backups.newest) : null;
  const late = at !== null && Date.now() - at.getTime() > OVERDUE;
  return (
    <p className={`mt-5 border-rule border-t-2 pt-4 ${late ? 'font-bold text-tomato' : ''}`}>
      {backups === null
        ? say(
            'No backups are made by themselves here: “./panache backup FILE” makes one of the whole database.',
          )
        : at === null
          ? say('Backups of the whole database go to {folder}: none is made yet.', { folder: backups.folder })
          : late
            ? say(
                'The last backup of the whole database is of {at}. None was made since: look at {folder}.',
                {
                  at: dayAndTime(at),
                  folder: backups.folder,
                },
              )
            : say('The last backup of the whole database is of {at}, in {folder}.', {
                at: dayAndTime(at),
                folder: backups.folder,
              })}
    </p>
  );
}

/** A file that is chosen, what taking it in would do, and doing that; it can be stopped. */
function useTaking() {
  const say = useSay();
  const [file, setFile] = useState<File | null>(null);
  const [would, setWould] = useState<TakenIn | null>(null);
  const [did, setDid] = useState<TakenIn | null>(null);
  const [problems, setProblems] = useState<readonly ToldProblem[]>([]);
  const [share, setShare] = useState<number | null>(null);
  const busy = share !== null;
  const going = useRef<AbortController>(undefined);
  const sent = async (of: File, rehearse: boolean) => {
    going.current = new AbortController();
    setShare(0);
    const answer = await askAsItGoes(
      'POST /api/archive',
      { body: of, ...(rehearse && { query: { rehearse: 1 } }) },
      { onShare: setShare, signal: going.current.signal },
    );
    setShare(null);
    return answer;
  };
  const look = async (chosen: File) => {
    setWould(null);
    setDid(null);
    setProblems([]);
    if (chosen.size > MOST_BYTES) {
      setFile(null);
      setProblems([
        {
          field: 'file',
          given: say('{size} bytes', { size: chosen.size }),
          allowed: say('at most {mostbytes} bytes are read', { mostbytes: MOST_BYTES }),
        },
      ]);
      return;
    }
    setFile(chosen);
    const answer = await sent(chosen, true);
    if (!answer) return;
    if (answer.ok) setWould(answer.body);
    else setProblems(answer.problems);
  };
  const take = async () => {
    if (!file) return;
    const answer = await sent(file, false);
    // Stopped: nothing was changed, and it can be done still.
    if (!answer) return;
    setWould(null);
    if (answer.ok) setDid(answer.body);
    else setProblems(answer.problems);
  };
  return { file, would, did, problems, share, busy, look, take, stop: () => going.current?.abort() };
}
type Taking = ReturnType<typeof useTaking>;

type Props = { readonly last: ImportTold | null; readonly backups: BackupsTold | null };

/** The whole kitchen as a file, out and in. What an import would do is said before it is done. */
export function ArchivePart({ last, backups }: Props) {
  return (
    <div className="grid gap-4 min-[1100px]:grid-cols-2">
      <Out backups={backups} />
      <In last={last} />
    </div>
  );
}

function Out({ backups }: Pick<Props, 'backups'>) {
  const say = useSay();
  return (
    <section aria-labelledby="a-out" className={CARD}>
      <h2 id="a-out" className="font-bold text-[21px]">
        {say('Export everything')}
      </h2>
      <p className="mt-2">
        {say(
          'One open JSON file: this kitchen’s settings, every version of every recipe, every batch with its record.',
        )}
      </p>
      <a href="/api/archive" download className={`mt-4 ${PRIMARY}`}>
        <Download size={22} aria-hidden /> {say('Save the archive')}
      </a>
      <BackupNote backups={backups} />
    </section>
  );
}

function In({ last }: Pick<Props, 'last'>) {
  const say = useSay();
  const taking = useTaking();
  const { did, share, busy } = taking;
  const standing: ImportTold | null = did?.importId
    ? { id: did.importId, madeAt: new Date().toISOString(), taken: did }
    : last;
  return (
    <section aria-labelledby="a-in" className={CARD}>
      <h2 id="a-in" className="font-bold text-[21px]">
        {say('Import an archive or a kitchen')}
      </h2>
      <p className="mt-2">
        {say(
          'Its kitchen takes the place of the settings here. Recipes and batches not known here are added; nothing here is thrown away.',
        )}
      </p>
      <FileButton
        id="archive-file"
        words={busy ? say('Reading …') : say('Choose a file')}
        accept=".json,application/json"
        look={`mt-4 ${BUTTON}`}
        onFile={(f) => void taking.look(f)}
      />
      {share !== null && (
        <div className="mt-4 flex items-center gap-3">
          <div className="flex-1">
            <Progress label={say('Share of the file read')} done={Math.round(share * 100)} of={100} />
          </div>
          <button type="button" className={BUTTON} onClick={taking.stop}>
            {say('Stop')}
          </button>
        </div>
      )}
      <Would taking={taking} />
      <Did taking={taking} />
      <Refused taking={taking} />
      {standing && <Undo last={standing} />}
    </section>
  );
}

type Part = { readonly taking: Taking };

/** What taking the chosen file in would do. */
function Would({ taking: { file, would, busy, take } }: Part) {
  const say = useSay();
  if (!would) return null;
  return (
    <div className="mt-4" role="status">
      <p className="font-bold">{say('{name} would', { name: file?.name ?? '' })}</p>
      <ul className="list-disc pl-6">
        <li>
          {say('make this “{kitchen}”, with its pots, burners and products', {
            kitchen: would.kitchen,
          })}
        </li>
        <li>{say('add {what}', { what: recipes(would.newRecipes.length) })}</li>
        <li>
          {say('add newer versions to {what}', {
            what: recipes(would.newVersions.length),
          })}
        </li>
        <li>{say('add {what}', { what: batches(would.newBatches) })}</li>
        <li>{say('add {what}', { what: services(would.newServices?.length ?? 0) })}</li>
        <li>{say('add {what}', { what: kept(would.newLots?.length ?? 0) })}</li>
        {(would.notWhole ?? 0) > 0 && <li>{say(leftOutWords(would.notWhole ?? 0))}</li>}
      </ul>
      <button type="button" className={`mt-3 ${PRIMARY}`} disabled={busy} onClick={take}>
        {say('Do that')}
      </button>
    </div>
  );
}

function Did({ taking: { did } }: Part) {
  const say = useSay();
  if (!did) return null;
  return (
    <p className="mt-4 font-bold" role="status">
      {say.rich(
        'Done: {recipes}, newer versions of {count}, {batches}, {services}, {kept}. <link>Load the kitchen again</link>.',
        {
          link: (text) => <a href="/kitchen">{text}</a>,
          recipes: recipes(did.newRecipes.length),
          count: did.newVersions.length,
          batches: batches(did.newBatches),
          services: services(did.newServices?.length ?? 0),
          kept: kept(did.newLots?.length ?? 0),
        },
      )}
    </p>
  );
}

/** Why it cannot be taken in. */
function Refused({ taking: { file, problems } }: Part) {
  const say = useSay();
  if (problems.length === 0) return null;
  return (
    <div role="alert" className="mt-4 text-tomato">
      <p className="font-bold">
        {say('{name} cannot be taken in; nothing was changed.', {
          name: file?.name ?? say('This file'),
        })}
      </p>
      <ul className="list-disc pl-6">
        {problems.map((p) => (
          <li key={`${p.field}${say.either(p.given)}`}>
            <b>{p.field}</b>: {say(problemWords([p]))}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** One tap back to before the last import. */
function Undo({ last }: { last: ImportTold }) {
  const say = useSay();
  const [state, setState] = useState<'stands' | 'busy' | 'undone'>('stands');
  const [changed, setChanged] = useState(false);
  const [problems, setProblems] = useState<readonly ToldProblem[]>([]);
  const { taken } = last;
  const undo = async (anyway: boolean) => {
    setState('busy');
    setProblems([]);
    const answer = await ask('POST /api/archive/undo', { body: { id: last.id, ...(anyway && { anyway }) } });
    setState(answer.ok ? 'undone' : 'stands');
    if (answer.ok) return;
    setChanged(answer.status === 409 && answer.problems[0]?.field === 'kitchen');
    setProblems(answer.problems);
  };
  return (
    <section aria-labelledby="a-undo" className="mt-5 border-rule border-t-2 pt-4">
      <h3 id="a-undo" className="font-bold text-[19px]">
        {say('Go back')}
      </h3>
      {state === 'undone' ? (
        <p role="status" className="mt-1 font-bold">
          {say.rich('Back to before that import. <link>Load the kitchen again</link>.', {
            link: (text) => <a href="/kitchen">{text}</a>,
          })}
        </p>
      ) : (
        <>
          <p className="mt-1">
            {say(
              'The last import made this “{kitchen}”, on {dayAndTime}, with {recipes}, {batches}, {services} and {kept}. The settings before it are kept; what it brought is put out of sight, not thrown away.',
              {
                kitchen: taken.kitchen,
                dayAndTime: dayAndTime(new Date(last.madeAt)),
                recipes: recipes(taken.newRecipes.length),
                batches: batches(taken.newBatches),
                services: services(taken.newServices?.length ?? 0),
                kept: kept(taken.newLots?.length ?? 0),
              },
            )}
          </p>
          {problems.length > 0 && (
            <p role="alert" className="mt-2 font-bold text-tomato">
              {say(problemWords(problems))}
            </p>
          )}
          <button
            type="button"
            className={`mt-3 ${BUTTON}`}
            disabled={state === 'busy'}
            onClick={() => void undo(changed)}
          >
            <Undo2 size={22} aria-hidden /> {changed ? say('Go back all the same') : say('Undo the import')}
          </button>
        </>
      )}
    </section>
  );
}
