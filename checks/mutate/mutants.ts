import { readFileSync } from 'node:fs';
import { parse } from '@babel/parser';
import {
  isBinaryExpression,
  isFunction,
  isImportDeclaration,
  isLogicalExpression,
  isNumericLiteral,
  isObjectProperty,
  isStringLiteral,
  isTemplateElement,
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
  readonly kind: 'number' | 'compared' | 'condition' | 'sql';
  readonly from: number;
  readonly until: number;
  /** Of SQL inside a literal: what that begins and ends with. */
  readonly quote?: string | undefined;
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

/** What a statement of SQL may have wrong: a comparison, a condition, an order turned round. */
const SQL = /\b(SELECT|UPDATE|DELETE|INSERT|CREATE|WHERE|EXISTS)\b/;
const IN_SQL =
  / (<=|>=|<|>) |\b(AND|OR)\b|\b(IS NOT NULL|IS NULL|NOT EXISTS)\b|\b(DESC)\b|(?<=\b(?:WHERE|AND|OR|ON)\s+[\w.]+ )(=)(?= )/g;
const SQL_TURNED: Readonly<Record<string, string>> = {
  ...{ '<': '>=', '<=': '>', '>': '<=', '>=': '<', '=': '<>' },
  ...{ AND: 'OR', OR: 'AND', DESC: 'ASC' },
  ...{ 'IS NULL': 'IS NOT NULL', 'IS NOT NULL': 'IS NULL', 'NOT EXISTS': 'EXISTS' },
};

/** What may be wrong in a text of SQL that stands at `from` of a file. */
function sqlMutantsOf(file: string, text: string, from = 0): readonly Mutant[] {
  // What a range or a definition is made of, and what is only noted, is no condition.
  const plain = text.replace(/BETWEEN\s+\S+\s+AND\b|CREATE OR REPLACE|ON [A-Z]+|--.*/g, (t) =>
    '_'.repeat(t.length),
  );
  return [...plain.matchAll(IN_SQL)].flatMap((m) => {
    const was = m.slice(1).find((g) => g !== undefined) ?? '';
    const is = SQL_TURNED[was];
    const at = from + m.index + m[0].indexOf(was);
    return is ? [{ file, at, was, is, kind: 'sql' as const, from: at, until: at }] : [];
  });
}

/** Mistakes in a file of SQL. */
export const mutantsOfSql = (file: string): readonly Mutant[] =>
  sqlMutantsOf(file, readFileSync(file, 'utf8'));

/** The text of a file of SQL with one of its mistakes made. */
export const withSqlMutant = (text: string, { at, was, is }: Mutant): string =>
  text.slice(0, at) + is + text.slice(at + was.length);

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
    // What is put into a literal stands in it as text.
    if ((isStringLiteral(node) || isTemplateElement(node)) && SQL.test(was)) {
      const quote = isStringLiteral(node) ? was[0] : '`';
      if (quote === '`' || !isImportDeclaration(parents.at(-1)?.node))
        found.push(...sqlMutantsOf(file, was, from).map((m) => ({ ...m, quote })));
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
    if (m.kind === 'sql') {
      const one = `mutantNumber(${n},${JSON.stringify(m.was)},${JSON.stringify(m.is)})`;
      const is = m.quote === '`' ? `\${${one}}` : `${m.quote} + ${one} + ${m.quote}`;
      instead.set(m.at, { was: m.was, is });
      continue;
    }
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
