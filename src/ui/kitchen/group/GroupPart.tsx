'use client';

import { useCallback, useEffect, useState } from 'react';
import type { GroupTold } from '../../../contract/groups';
import { ask, problemWords } from '../../device/line/api';
import { useSay } from '../../shared/hooks/useSay';
import { Figures } from './Figures';
import { PublishCard } from './PublishCard';
import { PublishedCard } from './PublishedCard';

/** What the kitchen’s group published, to be taken or declined; and for the kitchen that leads it, what it publishes and its figures. */
export function GroupPart() {
  const say = useSay();
  const [group, setGroup] = useState<GroupTold | undefined>(undefined);
  const [problem, setProblem] = useState<string | null>(null);
  const load = useCallback(async () => {
    const answer = await ask('GET /api/group', {});
    setProblem(answer.ok ? null : say(problemWords(answer.problems)));
    if (answer.ok) setGroup(answer.body.group);
  }, [say]);
  useEffect(() => {
    void load();
  }, [load]);
  return (
    <div className="grid max-w-300 gap-5">
      {problem && (
        <p role="alert" className="font-bold text-tomato">
          {problem}
        </p>
      )}
      {group === null && <p>{say('This kitchen is in no group.')}</p>}
      {group?.leads && <PublishCard recipes={group.recipes} onPublished={() => void load()} />}
      {group?.figures && <Figures figures={group.figures} days={group.days} />}
      {group && (
        <section className="grid gap-3" aria-label={say('Published')}>
          <h2 className="font-bold text-[24px]">
            {group.leads
              ? say('Published to {group}', { group: group.name })
              : say('{group} publishes', { group: group.name })}
          </h2>
          {group.published.length === 0 && <p className="text-quiet">{say('Nothing yet.')}</p>}
          {group.published.map((p) => (
            <PublishedCard key={p.id} published={p} leads={group.leads} onAnswered={() => void load()} />
          ))}
        </section>
      )}
    </div>
  );
}
