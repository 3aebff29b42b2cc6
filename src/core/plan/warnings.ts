import { bandOf } from '../flow/bands';
import { depthOf } from '../heat/vessel';
import { liquidMl } from '../pot/contents';
import { coolTo } from '../pot/cook';
import type { Kitchen } from '../pot/kitchen';
import { sweat } from '../pot/steps/sweat';
import { CODE, LIMITS } from '../safety/cautions';
import { COOK_OUT_MINUTES } from '../thicken/granules';
import { rouxBalance } from '../thicken/rouxBalance';
import { capital, litres, spaced } from '../units/format';
import { dairyFate } from './dairyRisk';
import { gathered } from './deeds';
import type { Run } from './solve/simulate';
import type { Plan, Warning } from './types';

type PlanSoFar = Omit<Plan, 'warnings'>;

function potTooFull(plan: PlanSoFar): Warning[] {
  const { vessel } = plan.setup;
  if (plan.peakMl > plan.rimMl) {
    return [
      {
        id: 'overflow',
        kind: 'overflow',
        severity: 'stop',
        says: `${litres(plan.peakMl)} L at its fullest does not go into ${vessel.name}: it holds ${litres(plan.rimMl)} L to the rim.`,
        change: `Make at most ${litres(plan.fillLimitMl)} L in it, or take a larger pot.`,
      },
    ];
  }
  if (plan.peakMl > plan.fillLimitMl) {
    return [
      {
        id: 'headroom',
        kind: 'headroom',
        severity: 'danger',
        says: `${litres(plan.peakMl)} L at its fullest is over the headroom line of ${vessel.name} (${litres(plan.fillLimitMl)} L).`,
        change: 'It will boil over or slop when you whisk: take a larger pot, or make less.',
      },
    ];
  }
  return [];
}

/** Shallower than this, mm, a pot catches at the bottom and loses its water fast. Common practice, no source. */
const SHALLOW = 25;

function potTooEmpty(plan: PlanSoFar): Warning[] {
  const { vessel } = plan.setup;
  const depth = depthOf(vessel, plan.found.volumeMl);
  if (depth >= SHALLOW) return [];
  return [
    {
      id: 'shallow',
      kind: 'shallow',
      severity: 'caution',
      says: `It stands ${(depth / 10).toFixed(1)} cm deep in ${vessel.name}: it catches and boils away fast.`,
      change: 'Take a smaller pot.',
    },
  ];
}

const MISSES = {
  'too thick without': {
    says: 'It comes out thicker than asked with no thickener at all.',
    change: 'Ask for a thicker band, or take less of the vegetables that thicken.',
  },
  'too thin with all': {
    says: 'It comes out thinner than asked with all there is blended or added.',
    change: 'Ask for a thinner band, or put more floury potato in the recipe.',
  },
  'no room for liquid': {
    says: 'The solid ingredients alone come to more than the litres asked for.',
    change: 'Make more litres, or take less of the solids.',
  },
} as const;

function missed(plan: PlanSoFar): Warning[] {
  return plan.solved.missed.map((m) => ({ id: m, kind: m, severity: 'stop', ...MISSES[m] }));
}

function fire(plan: PlanSoFar, run: Run): Warning[] {
  const warnings: Warning[] = [];
  const { burner } = plan.setup;
  for (const [n, r] of run.ran.entries()) {
    for (const note of r.notes) {
      if (note.kind === 'stalled') {
        warnings.push({
          id: `stalled-${n}`,
          kind: 'stalled',
          step: n,
          severity: 'stop',
          says: `${burner.name} stalls at ${note.celsius.toFixed(0)} °C in step ${n + 1}; the step needs ${note.wanted.toFixed(0)} °C.`,
          change: 'Take a stronger burner, put the lid on, or make less.',
        });
      } else if (note.kind === 'scrambled') {
        warnings.push({
          id: `scrambled-${n}`,
          kind: 'scrambled',
          step: n,
          severity: 'stop',
          says: `The yolk reaches ${note.reached.toFixed(0)} °C in step ${n + 1}; over ${note.limit} °C it scrambles.`,
          change: 'Bring it no hotter than that after the liaison.',
        });
      } else if (note.kind === 'cannot-chill') {
        warnings.push({
          id: `chill-${n}`,
          kind: 'chill',
          step: n,
          severity: 'stop',
          says: `Step ${n + 1} cannot reach ${note.to} °C: where it cools is no colder.`,
          change: 'Use a colder place, a fan or an ice bath.',
        });
      } else {
        warnings.push({
          id: `hard-${n}`,
          kind: 'hard',
          step: n,
          severity: 'stop',
          says: `The pieces do not become tender in step ${n + 1}.`,
          change: 'Cut them smaller, or take a stronger burner.',
        });
      }
    }
  }
  const longest = run.ran
    .filter((r) => r.step.kind === 'bring-to')
    .map((r) => r.pot.seconds - r.before.seconds);
  const wait = Math.max(0, ...longest);
  if (wait > 40 * 60 && warnings.length === 0) {
    warnings.push({
      id: 'slow',
      kind: 'slow',
      severity: 'caution',
      says: `${burner.name} takes ${Math.round(wait / 60)} min to heat this pot.`,
      change: 'Start from hot stock, keep the lid on, or take a stronger burner.',
    });
  }
  return warnings;
}

function flour(run: Run): Warning[] {
  const warnings: Warning[] = [];
  for (const r of run.ran) {
    if (r.step.kind !== 'roux' && r.step.kind !== 'dust') continue;
    const grams = r.step.flour.amount;
    if (grams <= 0) continue;
    const { short, over } = rouxBalance(grams, (r.step.kind === 'roux' ? r.pot : r.before).freeFat);
    if (short > 0) {
      warnings.push({
        id: 'fat-short',
        kind: 'fat-short',
        severity: 'caution',
        says: `${spaced(short)} g too little fat to wet the flour: it can lump.`,
        change: 'Add that much butter or oil before the flour.',
        grams: short,
      });
    }
    if (over > 0) {
      warnings.push({
        id: 'fat-over',
        kind: 'fat-over',
        severity: 'caution',
        says: `${spaced(over)} g more fat than the flour can bind: a greasy film.`,
        change: 'Take that much less, or skim it before serving.',
        grams: over,
      });
    }
  }
  const wheat = run.pot.thickeners.find((t) => t.kind === 'wheat');
  if (wheat && wheat.dry > 0 && wheat.cookedMinutes < COOK_OUT_MINUTES) {
    warnings.push({
      id: 'raw-flour',
      kind: 'raw-flour',
      severity: 'caution',
      says: `The flour simmers ${wheat.cookedMinutes.toFixed(0)} min: it can still taste raw before ${COOK_OUT_MINUTES}.`,
      change: 'Simmer longer before the dairy goes in.',
      minutes: COOK_OUT_MINUTES - wheat.cookedMinutes,
    });
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
        says: `After ${step.minutes} min step ${n + 1} is only ${pot.celsius.toFixed(0)} °C: so much is warmed by this pan, not sweated.`,
        change:
          minutes >= LONGEST_SWEAT
            ? 'Sweat it in batches, on a stronger flame, or in a wider pan.'
            : `Give it about ${needs} min, or sweat it in batches, on a stronger flame, or in a wider pan.`,
      },
    ];
  });
}

/** Dairy that may split in this pot, in its steps: how surely, why, and what to change. */
function dairy(run: Run, kitchen: Kitchen): Warning[] {
  const fate = dairyFate(run, kitchen);
  if (!fate || fate.risk.grade === 'safe') return [];
  const { grade, reasons } = fate.risk;
  const says = {
    'take care': 'The dairy can split',
    'likely to split': 'The dairy is likely to split',
    'will split': 'The dairy splits',
  }[grade];
  const [first, ...others] = reasons.slice(0, 3);
  if (!first) return [];
  return [
    {
      id: 'dairy',
      kind: 'dairy',
      step: fate.step,
      severity: grade === 'take care' ? 'caution' : 'danger',
      says: `${says} in step ${fate.step + 1}: ${[first, ...others].map((r) => r.says).join('; ')}.`,
      change: `${capital(first.change)}.`,
    },
  ];
}

/** A rest at least this long is worth a word on how long it stays hot, min. */
const LONG_REST = 5;

/** A soup resting off the heat cools: when it comes under what hot food is held at. */
function rests(run: Run, kitchen: Kitchen): Warning[] {
  const { atLeast, section } = LIMITS.hotHold;
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
        says: `Off the heat in step ${n + 1} it is under ${atLeast} °C after ${minutes} min${under ? `: it rests ${r.step.minutes}` : ''}.`,
        change: under
          ? 'Keep it on a low flame or in a hot bath, lid on.'
          : 'Serve it before, or keep it hot.',
        rule: `${CODE}, ${section}`,
      },
    ];
  });
}

/** Put by hot, or hotter than what is kept cold may be. */
function notChilled(run: Run): Warning[] {
  const { atMost, section } = LIMITS.coldHold;
  return run.ran.flatMap((r, n): Warning[] =>
    r.step.kind === 'keep' && r.before.celsius > atMost + 0.5
      ? [
          {
            id: `kept-hot-${n}`,
            kind: 'kept-hot',
            step: n,
            severity: 'stop',
            says: `It comes to step ${n + 1} at ${r.before.celsius.toFixed(0)} °C: nothing is put by hotter than ${atMost} °C.`,
            change: 'Chill it first: pans, a blast or an ice bath.',
            rule: `${CODE}, ${section}`,
          },
        ]
      : [],
  );
}

/** Lands in another band than was asked for, with nothing left to the plan that could mend it. */
function anotherBand({ aim, found, setup, solved }: PlanSoFar): Warning[] {
  const asked = bandOf(aim.target, setup.kitchen.bandLimits);
  if (asked === found.band || solved.missed.length > 0) return [];
  return [
    {
      id: 'another band',
      kind: 'another band',
      severity: 'danger',
      says: `It lands in ${found.band}, not in ${asked}: this recipe leaves no thickener to the plan.`,
      change: `Ask for ${found.band}, thicken it another way, or leave an amount “to thickness” in the recipe.`,
    },
  ];
}

/** What can hurt someone, as the plan shows it before the start. */
const careful = (run: Run, kitchen: Kitchen): Warning[] =>
  gathered(run.ran, kitchen).map((c) => ({
    id: c.id,
    kind: 'care',
    severity: c.broken ? 'danger' : 'caution',
    says: c.says,
    change: c.do,
    rule: c.rule,
  }));

/** Warnings in the order they matter. */
export const warningsFor = (plan: PlanSoFar, run: Run): readonly Warning[] => [
  ...potTooFull(plan),
  ...potTooEmpty(plan),
  ...missed(plan),
  ...anotherBand(plan),
  ...fire(plan, run),
  ...notSweated(run, plan.setup.kitchen),
  ...flour(run),
  ...dairy(run, plan.setup.kitchen),
  ...rests(run, plan.setup.kitchen),
  ...notChilled(run),
  ...careful(run, plan.setup.kitchen),
];
