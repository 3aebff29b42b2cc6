import { parseArgs } from 'node:util';
import { FAULTS, type Fault } from '../core/adjust/faults';
import { BANDS, type Band, DEFAULT_LIMITS, middleOf } from '../core/flow/bands';
import type { Burner } from '../core/heat/burner';
import { type BurnerKind, EFFICIENCY } from '../core/heat/burner';
import type { Vessel } from '../core/heat/vessel';
import { ORDER_BOUNDS } from '../core/order/bounds';
import { WAYS, type Way } from '../core/order/ways';
import type { Setup } from '../core/plan/solve/simulate';
import { type Kitchen, STANDARD_KITCHEN } from '../core/pot/kitchen';
import type { Recipe } from '../core/recipe/recipe';
import { parseNumber } from '../core/units/typed/parse';

/** An option that cannot be used: shown as one line. */
export class BadOption extends Error {}

const numberOf = (name: string, text: string | undefined, low: number, high: number): number | undefined => {
  if (text === undefined) return undefined;
  const n = parseNumber(text);
  if (!(n >= low && n <= high))
    throw new BadOption(`--${name} is “${text}”: use a number from ${low} to ${high}`);
  return n;
};

export type Options = {
  readonly file: string;
  readonly litres: number | undefined;
  readonly setup: (recipe: Recipe) => Setup;
  readonly viscosity: (recipe: Recipe) => number;
  /** Instead of the recipe’s own. */
  readonly thicken: Way | undefined;
  readonly json: boolean;
  /** For fix: steps done, mPa·s measured, minutes left, what is to hand. */
  readonly at: number | undefined;
  readonly measured: number | undefined;
  readonly minutes: number | undefined;
  readonly hand: readonly string[];
  /** Faults seen, besides or instead of what it reads. */
  readonly wrong: readonly Fault[];
};

/** What each command takes. */
const TAKES = {
  plan: ['litres', 'portions', 'portion-ml', 'pot', 'burner', 'target', 'thicken', 'altitude', 'json'],
  predict: ['litres', 'pot', 'burner', 'altitude', 'json'],
  fix: [
    'litres',
    'pot',
    'burner',
    'target',
    'altitude',
    'at',
    'measured',
    'wrong',
    'minutes',
    'hand',
    'json',
  ],
} as const;
export type Command = keyof typeof TAKES;
export const isCommand = (name: string): name is Command => name in TAKES;

const SAYS: Readonly<Record<(typeof TAKES)[Command][number], string>> = {
  litres: '--litres N          how much at the pass; as written where it is not said',
  portions: '--portions N        with --portion-ml, instead of litres',
  'portion-ml': '--portion-ml M',
  pot: '--pot ID|36x34      a pot of the demo, or inside diameter and height in cm',
  burner: '--burner ID|gas:7kW a burner of the demo, or its kind and power',
  target: '--target BAND|mPa·s how thick in the bowl',
  thicken: '--thicken WAY       instead of the recipe’s own, such as slurry.cornstarch or maize',
  altitude: '--altitude M        metres above the sea',
  json: '--json              all of it as JSON',
  at: '--at STEP           steps done when it was measured, from 1',
  measured: '--measured mPa·s    what it reads in the bowl',
  wrong: `--wrong FAULT,…     what is wrong with it: ${FAULTS.join(', ')}; by what it reads where it is not said`,
  minutes: '--minutes N         until it has to be on the pass',
  hand: '--hand ID,ID        what is to hand; water always is',
};

const DOES: Readonly<Record<Command, string>> = {
  plan: 'solves what a recipe leaves open, for a pot, a burner and a thickness',
  predict: 'says what a recipe of fixed amounts comes to, step by step',
  fix: 'ranks what can be done about a pot that came out otherwise',
};

/** What is printed for --help. */
const helpFor = (command: Command): string =>
  [`./panache ${command} FILE: ${DOES[command]}.`, ...TAKES[command].map((name) => `  ${SAYS[name]}`)].join(
    '\n',
  );

/** Asked for help: printed instead of an answer. */
export class Help extends Error {}

/** A way by its id ("slurry.cornstarch"), or a starch by its kind, as a slurry. */
function wayFor(text: string | undefined): Way | undefined {
  if (text === undefined) return undefined;
  const t = text.toLowerCase();
  const found = WAYS.find((w) => w.id === t) ?? WAYS.find((w) => w.method === 'slurry' && w.kind === t);
  if (found) return found;
  const kinds = WAYS.flatMap((w) => (w.method === 'slurry' && w.kind ? [w.kind] : []));
  throw new BadOption(`--thicken is “${text}”: use ${[...WAYS.map((w) => w.id), ...kinds].join(', ')}`);
}

const listOf = (given: string | undefined): readonly string[] =>
  (given ?? '')
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean);

function faultOf(given: string): Fault {
  const found = FAULTS.find((f) => f === given.toLowerCase());
  if (found) return found;
  throw new BadOption(`--wrong is “${given}”: use ${FAULTS.join(', ')}`);
}

const isBand = (text: string): Band | undefined => BANDS.find((b) => b.toLowerCase() === text.toLowerCase());

function vesselOf(text: string | undefined, known: readonly Vessel[], home: Vessel): Vessel {
  if (text === undefined) return home;
  const found = known.find((v) => v.id === text);
  if (found) return found;
  const m = /^(\d+(?:\.\d+)?)[x×](\d+(?:\.\d+)?)$/i.exec(text);
  if (!m)
    throw new BadOption(
      `--pot is “${text}”: use ${known.map((v) => v.id).join(', ')}, or diameter×height in cm such as 36x34`,
    );
  const [diameter, high] = [Number(m[1]), Number(m[2])];
  if (diameter < 8 || diameter > 120 || high < 4 || high > 120)
    throw new BadOption(`--pot is “${text}”: diameter from 8 to 120 cm, height from 4 to 120 cm`);
  // A stainless wall of 1.2 mm and a base of 5 mm.
  const massG = 7.9 * (Math.PI * (diameter / 2) ** 2 * 0.5 + Math.PI * diameter * high * 0.12);
  return {
    id: text,
    name: `Pot ${diameter} × ${high} cm`,
    diameterMm: diameter * 10,
    heightMm: high * 10,
    material: 'stainless steel',
    massG,
  };
}

function burnerOf(text: string | undefined, known: readonly Burner[], home: Burner): Burner {
  if (text === undefined) return home;
  const found = known.find((b) => b.id === text);
  if (found) return found;
  const m = /^(gas|induction|electric):(\d+(?:\.\d+)?)kW$/i.exec(text);
  if (!m)
    throw new BadOption(
      `--burner is “${text}”: use ${known.map((b) => b.id).join(', ')}, or kind and power such as gas:7kW`,
    );
  const kind = (Object.keys(EFFICIENCY) as BurnerKind[]).find((k) => k === m[1]?.toLowerCase()) ?? 'gas';
  return { id: text, name: text, kind, powerW: Number(m[2]) * 1000 };
}

/** Reads the command line of plan, predict and fix, and refuses what that does not use; the demo's pots and burners go by their ids. */
export function readOptions(
  command: Command,
  argv: readonly string[],
  house: { vessels: readonly Vessel[]; burners: readonly Burner[] },
): Options {
  let parsed: ReturnType<typeof parse>;
  try {
    parsed = parse(argv);
  } catch (error) {
    throw new BadOption(error instanceof Error ? error.message : String(error));
  }
  const { values: v, positionals } = parsed;
  if (v.help) throw new Help(helpFor(command));
  const takes: readonly string[] = TAKES[command];
  for (const name of Object.keys(v))
    if (!takes.includes(name))
      throw new BadOption(`${command} takes no --${name}: use ${takes.map((t) => `--${t}`).join(', ')}`);
  const file = positionals[0];
  if (file === undefined || positionals.length > 1) throw new BadOption('name one recipe file');
  const portions = numberOf('portions', v.portions, 1, 5000);
  const portionMl = numberOf('portion-ml', v['portion-ml'], 20, 2000);
  if ((portions === undefined) !== (portionMl === undefined))
    throw new BadOption('--portions and --portion-ml go together');
  const asked = numberOf('litres', v.litres, ...ORDER_BOUNDS.litres);
  if (asked !== undefined && portions !== undefined)
    throw new BadOption('use --litres or --portions, not both');
  const litres = portions !== undefined && portionMl !== undefined ? (portions * portionMl) / 1000 : asked;
  const altitudeM = numberOf('altitude', v.altitude, 0, 5000) ?? 0;
  const kitchen: Kitchen = { ...STANDARD_KITCHEN, altitudeM };
  const thicken = wayFor(v.thicken);
  const target = v.target;
  const viscosity = (recipe: Recipe): number => {
    if (target === undefined) return middleOf(recipe.band, DEFAULT_LIMITS);
    const band = isBand(target);
    if (band) return middleOf(band, DEFAULT_LIMITS);
    const n = parseNumber(target.replace(/ ?mPa.?s$/i, ''));
    const [least, most] = ORDER_BOUNDS.target;
    if (n >= least && n <= most) return n;
    throw new BadOption(`--target is “${target}”: use ${BANDS.join(', ')}, or ${least} to ${most} mPa·s`);
  };
  return {
    file,
    litres,
    thicken,
    viscosity,
    json: v.json ?? false,
    at: numberOf('at', v.at, 1, 40),
    measured: numberOf('measured', v.measured?.replace(/ ?mPa.?s$/i, ''), 0.5, 20_000),
    minutes: numberOf('minutes', v.minutes, 0, 240),
    hand: listOf(v.hand),
    wrong: listOf(v.wrong).map(faultOf),
    setup: (recipe) => ({
      vessel: vesselOf(v.pot, house.vessels, recipe.home.vessel),
      burner: burnerOf(v.burner, house.burners, recipe.home.burner),
      kitchen,
    }),
  };
}

const text = { type: 'string' } as const;
const parse = (argv: readonly string[]) =>
  parseArgs({
    args: [...argv],
    allowPositionals: true,
    options: {
      litres: text,
      portions: text,
      'portion-ml': text,
      pot: text,
      burner: text,
      target: text,
      thicken: text,
      altitude: text,
      at: text,
      measured: text,
      minutes: text,
      hand: text,
      wrong: text,
      json: { type: 'boolean' },
      help: { type: 'boolean', short: 'h' },
    },
  });
