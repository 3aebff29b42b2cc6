'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import { ask, type ToldProblem } from '../../device/line/api';
import { useSay } from '../../shared/hooks/useSay';
import { handOver, keepWaiting, type Waiting } from '../handOver';

/** Largest file read, bytes; the server says the same. */
const MOST_BYTES = 4_000_000;

export type Opening = {
  readonly busy: boolean;
  /** What was opened last, and what is wrong with it. */
  readonly name: string;
  readonly problems: readonly ToldProblem[];
  readonly open: (what: File | string, from: string) => Promise<void>;
};

/** Opens a file or a text: a recipe of ours goes to the editor, anyone else's to be looked at (`onDrafts`). */
export function useOpen(onDrafts: (waiting: Waiting) => void): Opening {
  const say = useSay();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [name, setName] = useState('');
  const [problems, setProblems] = useState<readonly ToldProblem[]>([]);
  const open = useCallback(
    async (what: File | string, from: string) => {
      setName(from);
      const size = typeof what === 'string' ? what.length : what.size;
      if (size > MOST_BYTES) {
        setProblems([
          {
            field: 'file',
            given: say('{size} bytes', { size }),
            allowed: say('at most {mostbytes} bytes are read', { mostbytes: MOST_BYTES }),
          },
        ]);
        return;
      }
      setBusy(true);
      setProblems([]);
      const answer = await ask('POST /api/open', { body: what });
      setBusy(false);
      if (!answer.ok) {
        setProblems(answer.problems);
        return;
      }
      const { body } = answer;
      if (body.kind === 'recipe') {
        handOver(body.body);
        router.push('/recipes/new?handed=1');
      } else if (body.kind === 'drafts') {
        const waiting = { from, drafts: body.drafts };
        keepWaiting(waiting);
        onDrafts(waiting);
      } else
        setProblems([
          {
            field: 'file',
            given: say('this is a whole {kind, select, kitchen {kitchen} other {archive}}', {
              kind: body.kind,
            }),
            allowed: say('take it in under Kitchen, Archive'),
          },
        ]);
    },
    [say, router, onDrafts],
  );
  return { busy, name, problems, open };
}
