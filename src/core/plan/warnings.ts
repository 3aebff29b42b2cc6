import { bandOf } from '../flow/bands';
import { breaksDiet } from '../food/diets';
import { depthOf } from '../heat/vessel';
import type { Note } from '../pot/advance';
import { liquidMl } from '../pot/contents/contents';
import { portionsIn } from '../pot/contents/portions';
import { coolTo } from '../pot/cook';
import { foodIn, type Kitchen } from '../pot/kitchen';
import type { Portion } from '../pot/step';
import { sweat } from '../pot/steps/sweat';
import { RULES, ruleName } from '../safety/rules';
import { COOK_OUT_MINUTES } from '../thicken/granules';
import { rouxBalance } from '../thicken/rouxBalance';
import { dairyFate } from './dairyRisk';
import { gathered } from './deeds';
import { mishaps } from './mishaps';
import { inLayers, pansBeside } from './panWarnings';
import type { Run } from './solve/simulate';
import type { Plan, Warning } from './types';

type PlanSoFar = Omit<Plan, 'warnings'>;

function potTooFull(plan: PlanSoFar): Warning[] {
  const vessel = plan.setup.vessel.name;
  const { peakMl, rimMl, fillLimitMl } = plan;
  if (peakMl > rimMl)
    return [{ id: 'overflow', kind: 'overflow', severity: 'stop', vessel, peakMl, rimMl, fillLimitMl }];
  if (peakMl > fillLimitMl)
    return [{ id: 'headroom', kind: 'headroom', severity: 'danger', vessel, peakMl, fillLimitMl }];
  return [];
}

/** Shallower than this, mm, a pot catches at the bottom and loses its water fast. Common practice, no source. */
const SHALLOW = 25;

function potTooEmpty(plan: PlanSoFar): Warning[] {
  const { vessel } = plan.setup;
  const depthMm = depthOf(vessel, plan.found.volumeMl);
  if (depthMm >= SHALLOW) return [];
  return [{ id: 'shallow', kind: 'shallow', severity: 'caution', vessel: vessel.name, depthMm }];
}

/** What is in the pot all the same, as it will be cooked: a promise to a guest is kept or not given. */
function dietBroken({ aim, steps, setup }: PlanSoFar): Warning[] {
  const foods = [
    ...new Set(
      steps.flatMap(({ step }) =>
        portionsIn<Portion>(step)
          .filter((p) => p.amount > 0)
          .map((p) => p.ingredient),
      ),
    ),
  ].map((id) => foodIn(setup.kitchen, id));
  return (aim.diet ?? []).flatMap((diet): Warning[] => {
    const broken = foods.filter((f) => breaksDiet(f, diet)).map((f) => f.name);
    return broken.length > 0
      ? [{ id: `diet-${diet}`, kind: 'diet', severity: 'stop', diet, foods: broken }]
      : [];
  });
}

const missed = (plan: PlanSoFar): Warning[] =>
  plan.solved.missed.map((m) => ({ id: m, kind: m, severity: 'stop' }));

/** Off by less than this share, what comes out is what was ordered. Our assumption. */
const NEAR = 0.02;

/** Another volume than was ordered, or all that is written taken so many times that it is what was ordered. */
function notAsOrdered({ aim, found, solved }: PlanSoFar): Warning[] {
  const { times, writtenMl } = solved;
  const off = found.volumeMl / (aim.litres * 1000) - 1;
  if (
    Math.abs(off) > NEAR &&
    !solved.missed.includes('no room for liquid') &&
    !solved.missed.includes('boils away')
  ) {
    const { litres } = aim;
    return [{ id: 'amiss', kind: 'amiss', severity: 'caution', litres, ml: found.volumeMl }];
  }
  if (times === undefined || writtenMl === undefined || Math.abs(times - 1) <= NEAR) return [];
  return [{ id: 'taken', kind: 'taken', severity: 'caution', times, writtenMl, litres: aim.litres }];
}

/** What a step could not do. */
function failedIn(note: Note, step: number, burner: string): Warning {
  const severity = 'stop';
  switch (note.kind) {
    case 'stalled': {
      const { kind, celsius, wanted } = note;
      return { id: `stalled-${step}`, kind, step, severity, burner, celsius, wanted };
    }
    case 'scrambled': {
      const { kind, reached, limit } = note;
      return { id: `scrambled-${step}`, kind, step, severity, reached, limit };
    }
    case 'cannot-chill':
      return { id: `chill-${step}`, kind: 'chill', step, severity, to: note.to };
    default:
      return { id: `hard-${step}`, kind: 'hard', step, severity };
  }
}

/** Minutes to the first simmer from which it is worth a word. Our assumption. */
const SLOW = 40;

function fire(plan: PlanSoFar, run: Run): Warning[] {
  const burner = plan.setup.burner.name;
  const burnerOf = (pan: string): string => run.beside[pan]?.burner?.name ?? burner;
  const failed = run.ran.flatMap((r, n) => r.notes.map((note) => failedIn(note, n, burnerOf(r.pan))));
  const longest = run.ran
    .filter((r) => r.step.kind === 'bring-to')
    .map((r) => (r.pot.seconds - r.before.seconds) / 60);
  const minutes = Math.round(Math.max(0, ...longest));
  return minutes > SLOW && failed.length === 0
    ? [{ id: 'slow', kind: 'slow', severity: 'caution', burner, minutes }]
    : failed;
}

function flour(run: Run): Warning[] {
  const warnings: Warning[] = [];
  for (const r of run.ran) {
    if (r.step.kind !== 'roux' && r.step.kind !== 'dust') continue;
    const grams = r.step.flour.amount;
    if (grams <= 0) continue;
    const { short, over } = rouxBalance(grams, (r.step.kind === 'roux' ? r.pot : r.before).freeFat);
    if (short > 0) warnings.push({ id: 'fat-short', kind: 'fat-short', severity: 'caution', grams: short });
    if (over > 0) warnings.push({ id: 'fat-over', kind: 'fat-over', severity: 'caution', grams: over });
  }
  const wheat = run.pot.thickeners.find((t) => t.kind === 'wheat');
  if (wheat && wheat.dry > 0 && wheat.cookedMinutes < COOK_OUT_MINUTES) {
    const cooked = wheat.cookedMinutes;
    const minutes = COOK_OUT_MINUTES - cooked;
    const needs = COOK_OUT_MINUTES;
    warnings.push({ id: 'raw-flour', kind: 'raw-flour', severity: 'caution', cooked, needs, minutes });
  }
  return warnings;
}

/** °C from which what is sweated gives up its water, near enough at any height above the sea. */
const SWEATS_FROM = 94;

/** Longest a sweat is looked for, and by what it grows, min. */
const LONGEST_SWEAT = 60;
const LONGER_BY = 2;

/** A load too large for its pan and its minutes: it is warmed, not sweated. */
function notSweated(run: Run, kitchen: Kitchen): Warning[] {
  return run.ran.flatMap((r, n): Warning[] => {
    const { step, pot } = r;
    if (step.kind !== 'sweat' || pot.pieces.length === 0 || pot.celsius >= SWEATS_FROM) return [];
    let { minutes } = step;
    // Two halves of a sweat are one whole: it goes on from where it was left.
    const goOn = { ...step, items: [], minutes: LONGER_BY };
    for (let now = pot; minutes < LONGEST_SWEAT && now.celsius < SWEATS_FROM; minutes += LONGER_BY)
      now = sweat(now, goOn, kitchen);
    // Hot through, it still has to give up some water.
    const needs = Math.round((minutes + step.minutes / 2) / 5) * 5;
    return [
      {
        id: `sweat-${n}`,
        kind: 'sweat',
        step: n,
        severity: 'caution',
        minutes: step.minutes,
        celsius: pot.celsius,
        needs: minutes >= LONGEST_SWEAT ? null : needs,
      },
    ];
  });
}

/** Dairy that may split in this pot, in its steps: how surely, why, and what to change. */
function dairy(run: Run, kitchen: Kitchen): Warning[] {
  const fate = dairyFate(run, kitchen);
  if (!fate || fate.risk.grade === 'safe') return [];
  const { grade, reasons } = fate.risk;
  const [first, ...others] = reasons.slice(0, 3);
  if (!first) return [];
  const severity = grade === 'take care' ? 'caution' : 'danger';
  return [
    {
      id: 'dairy',
      kind: 'dairy',
      step: fate.step,
      of: fate.of,
      severity,
      grade,
      reasons: [first, ...others],
    },
  ];
}

/** A rest at least this long is worth a word on how long it stays hot, min. */
const LONG_REST = 5;

/** A soup resting off the heat cools: when it comes under what hot food is held at. */
function rests(run: Run, kitchen: Kitchen): Warning[] {
  const rules = kitchen.rules ?? RULES.fda;
  const { atLeast } = rules.hot;
  return run.ran.flatMap((r, n): Warning[] => {
    if (r.step.kind !== 'rest' || r.step.minutes < LONG_REST || liquidMl(r.pot) < 200) return [];
    if (r.before.celsius <= atLeast) return [];
    const cooled = coolTo(r.before, atLeast, r.step.lid, kitchen);
    const minutes = Math.round((cooled.pot.seconds - r.before.seconds) / 60);
    if (cooled.stalled || minutes >= r.step.minutes * 3) return [];
    const under = minutes < r.step.minutes;
    return [
      {
        id: `rest-${n}`,
        kind: 'rest',
        step: n,
        severity: under ? 'danger' : 'caution',
        atLeast,
        minutes,
        rests: under ? r.step.minutes : null,
        rule: ruleName(rules, rules.hot),
      },
    ];
  });
}

/** Put by hot, or hotter than what is kept cold may be. */
function notChilled(run: Run, kitchen: Kitchen): Warning[] {
  const rules = kitchen.rules ?? RULES.fda;
  const { atMost } = rules.cold;
  return run.ran.flatMap((r, n): Warning[] =>
    r.step.kind === 'keep' && r.before.celsius > atMost + 0.5
      ? [
          {
            id: `kept-hot-${n}`,
            kind: 'kept-hot',
            step: n,
            severity: 'stop',
            celsius: r.before.celsius,
            atMost,
            rule: ruleName(rules, rules.cold),
          },
        ]
      : [],
  );
}

/** Lands in another band than was asked for, with nothing left to the plan that could mend it. */
function anotherBand({ aim, found, setup, solved }: PlanSoFar): Warning[] {
  const asked = bandOf(aim.target, setup.kitchen.bandLimits);
  if (asked === found.band || solved.missed.length > 0) return [];
  const id = 'another band';
  return [{ id, kind: id, severity: 'danger', lands: found.band, asked }];
}

/** What can hurt someone, as the plan shows it before the start. */
const careful = (run: Run, kitchen: Kitchen): Warning[] =>
  gathered(run.ran, kitchen).map((caution) => ({
    id: caution.id,
    kind: 'care',
    severity: caution.broken ? 'danger' : 'caution',
    caution,
    rule: caution.rule,
  }));

/** Warnings in the order they matter. */
export const warningsFor = (plan: PlanSoFar, run: Run): readonly Warning[] => [
  ...dietBroken(plan),
  ...potTooFull(plan),
  ...potTooEmpty(plan),
  ...pansBeside(plan, run),
  ...inLayers(run),
  ...missed(plan),
  ...anotherBand(plan),
  ...notAsOrdered(plan),
  ...fire(plan, run),
  ...notSweated(run, plan.setup.kitchen),
  ...flour(run),
  ...dairy(run, plan.setup.kitchen),
  ...mishaps(plan, run),
  ...rests(run, plan.setup.kitchen),
  ...notChilled(run, plan.setup.kitchen),
  ...careful(run, plan.setup.kitchen),
];
