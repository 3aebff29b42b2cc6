import { ingredient } from '../../core/food/catalogue';
import { type Message, message } from '../../core/message/message';
import { term } from '../../core/message/term';
import type { Plan, PlanStep } from '../../core/plan/types';
import { portionsIn } from '../../core/pot/contents/portions';
import { ROWS } from '../../core/pot/kinds/rows';
import type { Portion } from '../../core/pot/step';
import type { DrawnLevel } from '../shared/draw/PotDrawing';

/** Levels nearer than this share of the pot are one mark. */
const SAME = 0.03;
/** More marks than this cannot be told apart on a wall. */
const MOST = 5;

const IN: Readonly<Record<string, Message>> = {
  liquid: message('liquid in'),
  wine: message('wine in'),
  dairy: message('dairy in'),
  cheese: message('cheese in'),
  egg: message('liaison in'),
  seafood: message('fish in'),
  grain: message('grain in'),
  pulse: message('pulses in'),
};

/** What a step did to the level, in two words; null when it did nothing to speak of. */
function stageWords({ step }: PlanStep): Message | null {
  const { level } = ROWS[step.kind];
  if (level !== 'items') return level;
  const [most] = portionsIn<Portion>(step).toSorted((a, b) => b.amount - a.amount);
  if (!most) return null;
  const { group, name } = ingredient(most.ingredient);
  return (
    IN[group] ??
    message('{what} in', {
      what: { within: term(name.split(/[ ,]/).at(name.includes(',') ? 0 : -1) ?? name) },
    })
  );
}

/** What the pot's wall is marked with: at the pass, at its fullest, and a ghost for each stage that moves the level. */
export function levelsOf(plan: Plan): readonly DrawnLevel[] {
  const marks: DrawnLevel[] = [{ label: message('at the pass'), ml: plan.found.volumeMl, kind: 'now' }];
  const apart = (ml: number): boolean => marks.every((m) => Math.abs(m.ml - ml) > SAME * plan.rimMl);
  if (apart(plan.peakMl)) marks.push({ label: message('at its fullest'), ml: plan.peakMl, kind: 'ghost' });
  for (const s of plan.steps) {
    if (s.pan !== '') continue;
    const label = stageWords(s);
    if (marks.length < MOST && label && s.volumeMl > SAME * plan.rimMl && apart(s.volumeMl))
      marks.push({ label, ml: s.volumeMl, kind: 'ghost' });
  }
  return marks;
}
