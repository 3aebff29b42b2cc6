import { readFileSync } from 'node:fs';
import { parse } from '@babel/parser';
import {
  isBinaryExpression,
  isFunction,
  isLogicalExpression,
  isNumericLiteral,
  isObjectProperty,
  isTSType,
  isVariableDeclaration,
  traverse,
} from '@babel/types';

/** One deliberate mistake: what stands at `at` of a file, and what it is made; `until` is where what it is part of ends. */
export type Mutant = {
  readonly file: string;
  readonly at: number;
  readonly was: string;
  readonly is: string;
  readonly kind: 'number' | 'compared' | 'condition';
  readonly from: number;
  readonly until: number;
};

const TURNED: Readonly<Record<string, string>> = {
  '<': '>=',
  '<=': '>',
  '>': '<=',
  '>=': '<',
  '===': '!==',
  '!==': '===',
};
const CONDITIONS: Readonly<Record<string, string>> = { '&&': '||', '||': '&&' };

/** A constant moved by so much. */
const MOVED = 1.1;

/**
 * The mistakes a file is tried with: numbers of its constants moved by a tenth and comparisons anywhere in it turned round; with
 * `conditions` each `and` made an `or` too, and the other way round.
 */
export function mutantsOf(file: string, conditions: boolean): readonly Mutant[] {
  const text = readFileSync(file, 'utf8');
  const { program } = parse(text, { sourceType: 'module', plugins: ['typescript'] });
  const found: Mutant[] = [];
  traverse(program, (node, parents) => {
    const [from, until] = [node.start ?? 0, node.end ?? 0];
    const was = text.slice(from, until);
    if (isNumericLiteral(node)) {
      const within = parents.map((p) => p.node);
      // A number inside a function is its own business; one in a type is none.
      const constant = within.some((n) => isVariableDeclaration(n)) && !within.some((n) => isFunction(n));
      const above = within.at(-1);
      const isKey = isObjectProperty(above) && above.key === node && !above.computed;
      if (!constant || isKey || within.some((n) => isTSType(n))) return;
      const is = node.value === 0 ? '0.1' : String(node.value * MOVED);
      found.push({ file, at: from, was, is, kind: 'number', from, until });
    }
    const compared = isBinaryExpression(node) && TURNED[node.operator];
    const condition = conditions && isLogicalExpression(node) && CONDITIONS[node.operator];
    const is = compared || condition;
    if (!is || !(isBinaryExpression(node) || isLogicalExpression(node))) return;
    // What waits cannot be asked for later than where it stands.
    if (condition && /\b(await|yield)\b/.test(was)) return;
    const at = text.indexOf(node.operator, node.left.end ?? from);
    found.push({
      file,
      at,
      was: node.operator,
      is,
      kind: compared ? 'compared' : 'condition',
      from,
      until,
    });
  });
  return found;
}

/** A file’s text with all its mistakes in it, each made where `mutantNow` is its number; `numberOf` says that. */
export function withMutants(
  text: string,
  mutants: readonly Mutant[],
  numberOf: (m: Mutant) => number,
): string {
  /** What is put before a place of the text, outer before inner; after one, inner before outer. */
  const opens = new Map<number, string>();
  const closes = new Map<number, string>();
  const instead = new Map<number, { readonly was: string; readonly is: string }>();
  for (const m of mutants) {
    const n = numberOf(m);
    const [open, between, close] =
      m.kind === 'number'
        ? [`mutantNumber(${n},`, null, `,${m.is})`]
        : m.kind === 'compared'
          ? [`mutantCompared(${n},${JSON.stringify(m.was)},`, ',', ')']
          : [`mutantCondition(${n},${JSON.stringify(m.was)},()=>(`, '),()=>(', '))'];
    opens.set(m.from, (opens.get(m.from) ?? '') + open);
    closes.set(m.until, close + (closes.get(m.until) ?? ''));
    if (between) instead.set(m.at, { was: m.was, is: between });
  }
  let made = '';
  for (let at = 0; at <= text.length; ) {
    made += (closes.get(at) ?? '') + (opens.get(at) ?? '');
    const here = instead.get(at);
    made += here?.is ?? text.charAt(at);
    at += here?.was.length ?? 1;
  }
  return made;
}
