import { readFileSync } from 'node:fs';
import demo from '../../demo/kitchen.json' with { type: 'json' };
import '../core/food/load';
import { justMultiplied, multipliedWords } from '../core/compare/multiplied';
import { doubtOf } from '../core/doubt/uncertainty';
import { bandOf, chanceOfBand } from '../core/flow/bands';
import { readRecipeFile, recipeJsonSchema } from '../core/formats/recipeFile';
import { KitchenFile } from '../core/kitchen/kitchenFile';
import { bracketOf } from '../core/maths/logNormal';
import { amended, cannotBe, usualShare } from '../core/order/amended';
import { planFor } from '../core/plan/plan';
import { openAmounts, predict } from '../core/plan/predict';
import { warningLine } from '../core/plan/warningWords';
import type { Recipe } from '../core/recipe/recipe';
import { inEnglish } from '../core/text/inWords';
import { spoken } from '../core/text/spoken';
import { duration, litres, mPas, spaced } from '../core/units/shown/format';
import { detailsOf, titleOf } from '../core/words/steps';
import { fixed } from './fix';
import { BadOption, type Command, Help, isCommand, type Options, readOptions } from './options';

const house = KitchenFile.parse(demo);
// Whoever read the first lines of it may be done with it.
process.stdout.on('error', () => process.exit(0));

const print = (line = ''): void => {
  process.stdout.write(`${line}\n`);
};

/** A table whose columns are as wide as they must be; figures to the right. */
function table(head: readonly string[], rows: readonly (readonly string[])[]): void {
  const widths = head.map((h, i) => Math.max(h.length, ...rows.map((r) => r[i]?.length ?? 0)));
  const line = (cells: readonly string[]) =>
    cells.map((c, i) => (i === 0 ? c.padEnd(widths[i] ?? 0) : c.padStart(widths[i] ?? 0))).join('  ');
  print(line(head));
  for (const row of rows) print(line(row));
}

function read(file: string): Recipe {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    throw new BadOption(`${file} cannot be read`);
  }
  const result = readRecipeFile(text);
  if (result.ok) return result.recipe;
  throw new BadOption(
    `${file} is not a recipe:\n${spoken(result.problems)
      .map((p) => `  ${p.place}: ${p.says}`)
      .join('\n')}`,
  );
}

function plan(o: Options): void {
  const written = read(o.file);
  const share = usualShare(written);
  const barred = o.thicken && cannotBe(written, share);
  if (barred) throw new BadOption(`--thicken ${o.thicken?.id}: ${inEnglish(barred)}`);
  const recipe = amended(written, o.thicken ? { way: o.thicken.id, share } : {});
  const setup = o.setup(recipe);
  const order = { litres: o.litres ?? recipe.yieldLitres, target: o.viscosity(recipe) };
  const made = planFor(recipe, order, setup);
  const doubt = doubtOf(recipe, made.solved.dosing, setup);
  const band = bandOf(order.target, setup.kitchen.bandLimits);
  const bracket = bracketOf(made.found.bowlViscosity, doubt.spread);
  const chance = chanceOfBand(made.found.bowlViscosity, doubt.spread, band, setup.kitchen.bandLimits);
  const multiplied = justMultiplied(recipe, { ...made, dosing: made.solved.dosing });
  if (o.json) {
    const { solved: _kept, ...rest } = made;
    print(
      JSON.stringify({ ...rest, band, bracket, chance, doubt: doubt.contributions, multiplied }, null, 2),
    );
    return;
  }
  print(
    `${recipe.name}: ${litres(made.found.volumeMl)} L, ${made.found.band}, ${mPas(made.found.bowlViscosity)} mPa·s in the bowl (8 in 10: ${mPas(bracket[0])} to ${mPas(bracket[1])}; ${Math.round(chance * 100)} % land in ${band})`,
  );
  print(
    `${setup.vessel.name}, ${setup.burner.name}: ${duration(made.seconds)}, gives off ${litres(made.steamG)} L, fullest ${litres(made.peakMl)} L of ${litres(made.rimMl)} L`,
  );
  const said = multipliedWords(multiplied, made);
  print(`${said.headline} ${said.because}`);
  print();
  table(
    ['weigh out', 'g', 'measure', 'untrimmed g'],
    made.weighOut.map((l) => [
      `${l.name}${l.solved === 'thickness' ? ' (the dose)' : ''}`,
      spaced(l.g, l.g < 10 ? 1 : 0),
      l.measure,
      spaced(l.asPurchased),
    ]),
  );
  print();
  for (const [n, s] of made.steps.entries()) {
    print(
      `${String(n + 1).padStart(2)}  ${duration(s.startsAt).padStart(6)}  ${s.pan ? `[${s.pan}] ` : ''}${titleOf(s.step, s.from)} (${duration(s.seconds)}, then ${s.celsius.toFixed(0)} °C)`,
    );
    for (const d of detailsOf(s.step, s.from)) print(`            ${d}`);
  }
  for (const w of made.warnings) print(`! ${inEnglish(warningLine(w))}`);
}

function predicted(o: Options): void {
  const recipe = read(o.file);
  const open = openAmounts(recipe);
  if (open.length > 0)
    throw new BadOption(`${o.file} leaves amounts open (${open.join(', ')}): use plan, or write them in`);
  const setup = o.setup(recipe);
  const p = predict(recipe, (o.litres ?? recipe.yieldLitres) / recipe.yieldLitres, setup);
  if (o.json) {
    print(JSON.stringify(p, null, 2));
    return;
  }
  const row = (title: string, f: (typeof p)['serving']) => [
    title,
    `${f.celsius.toFixed(0)} °C`,
    `${litres(f.volumeMl)} L`,
    `${mPas(f.viscosity)}`,
    f.band,
    `${f.saltPercent.toFixed(2)} %`,
    `${f.fatPercent.toFixed(1)} %`,
    f.pH.toFixed(1),
    f.garnish.map((g) => `${g.name} ${Math.round(g.tenderness * 100)} %`).join(', ') || '-',
  ];
  table(
    ['after', 'temp', 'volume', 'mPa·s', 'band', 'salt', 'fat', 'pH', 'tender'],
    [...p.steps.map((s) => row(s.title, s)), row('At serving', p.serving)],
  );
  for (const w of p.warnings) print(`! ${inEnglish(warningLine(w))}`);
}

function fix(o: Options): void {
  const recipe = read(o.file);
  const { at, measured, minutes, wrong } = o;
  if (at === undefined || minutes === undefined || (measured === undefined && wrong.length === 0))
    throw new BadOption('fix wants --at STEP, --minutes N, and --measured mPa·s or --wrong FAULT');
  const litresWanted = o.litres ?? recipe.yieldLitres;
  const target = o.viscosity(recipe);
  const { options, cures } = spoken(
    fixed(recipe, o.setup(recipe), {
      litres: litresWanted,
      target,
      measured,
      wrong,
      at,
      minutes,
      hand: o.hand,
    }),
  );
  if (o.json) {
    print(JSON.stringify(wrong.length > 0 ? { options, cures } : options, null, 2));
    return;
  }
  for (const c of cures) {
    print(`${c.fault}: ${c.title}, ${Math.ceil(c.minutes)} min`);
    for (const line of c.how) print(`     ${line}`);
    print(
      `     saves: ${c.saves}${c.cannot ? ` cannot: ${c.cannot}` : ''}${c.startAgain ? ` ${c.startAgain}` : ''}`,
    );
    if (c.option)
      print(
        `     then ${c.option.title}: ${c.option.doses.map((d) => `${spaced(d.g)} g ${d.ingredient}`).join(', ')}`,
      );
  }
  if (options.length === 0 && cures.length === 0 && measured !== undefined)
    print(`${mPas(measured)} mPa·s is near enough to ${mPas(target)}: nothing to do.`);
  for (const [n, c] of options.entries()) {
    const doses = c.doses.map((d) => `${spaced(d.g, d.g < 10 ? 1 : 0)} g ${d.ingredient}`).join(', ');
    print(
      c.struck === null
        ? `${n + 1}. ${c.title}: ${doses || c.how[0]}; on the pass in ${Math.ceil(c.minutes)} min, ${mPas(c.viscosity)} mPa·s (8 in 10: ${c.bracket.map((b) => mPas(b)).join(' to ')}), chance ${Math.round(c.chance * 100)} %`
        : `-  ${c.title}: ${c.struck}`,
    );
    if (c.struck === null) for (const line of c.how) print(`     ${line}`);
  }
}

const COMMANDS: { readonly [C in Command]: (o: Options) => void } = { plan, predict: predicted, fix };

const [command = '', ...argv] = process.argv.slice(2);
try {
  if (command === 'schema') print(JSON.stringify(recipeJsonSchema(), null, 2));
  else if (isCommand(command)) COMMANDS[command](readOptions(command, argv, house));
  else throw new BadOption(`“${command}” is none of plan, predict, fix, schema`);
} catch (error) {
  if (error instanceof Help) print(error.message);
  else if (error instanceof BadOption) {
    process.stderr.write(`panache: ${error.message}\n`);
    process.exitCode = 1;
  } else throw error;
}
