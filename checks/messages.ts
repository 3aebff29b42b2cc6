import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from '@babel/parser';
import { isNode, type Node } from '@babel/types';
import { type MessageFormatElement, parse as parseMessage, TYPE } from '@formatjs/icu-messageformat-parser';

/** A message as it stands in the code, and where. */
export type Found = { readonly text: string; readonly at: string };
/** A message whose braces ask for what is not given where it is made. */
export type Short = { readonly text: string; readonly lacks: string; readonly at: string };
/** Words on a screen that no catalogue would ever see. */
export type Outside = { readonly words: string; readonly at: string };

/** Folders whose words are read by a cook. */
const READ = ['src/core', 'src/ui', 'src/app', 'src/server'];

/** Not read on a screen: what a program is told, sources of figures, and what becomes part of a recipe. */
const ELSEWHERE = [
  /\.test\.tsx?$/,
  /\/testKit\.ts$/,
  /\.d\.ts$/,
  /^src\/app\/api\//,
  /^src\/core\/food\/(?!lines\/)/,
  /^src\/core\/(message|text)\//,
];

/** Attributes that are said or shown. */
const SHOWN = new Set([
  'aria-label',
  'aria-valuetext',
  'aria-roledescription',
  'label',
  'hint',
  'title',
  'trigger',
  'placeholder',
  'after',
  'alt',
  'words',
]);

/** Keys of a table whose values are read. */
const NAMED = new Set(['words', 'aside', 'says', 'label', 'hint', 'title']);

/** The functions a message is made or said by; the first argument is the message. */
const MAKERS = new Set(['message', 'issue', 'say', 'rich', 'titled']);

/** The functions that are given the name of a figure to speak of, and its unit after its bounds. */
const NAMERS = new Set(['numberFrom', 'within', 'words', 'unique']);

/** A word anybody would have to translate. Units and marks are the same everywhere. */
const WORD = /[A-Za-zé]{2,}/;
const UNITS =
  /\b(mPa·s|kW|kg|mg|mm|cm|mL|min|gal|qt|pH|ppm|mm²\/s|°C|°F|mbar|PDF|A4|CSV|JSON|Panache|FDA)\b/g;
const hasWords = (text: string): boolean => WORD.test(text.replace(UNITS, ''));

/** Two words and more, or one with a capital: read by somebody, not an id. */
const SENTENCE = /[A-Za-z]{2,}[,;:’”.!?]? +[A-Za-z“(]/;
/** Classes of the style sheet. */
const isLook = (text: string): boolean =>
  text
    .trim()
    .split(/\s+/)
    .every((t) => t === '{}' || /^[-a-z0-9:[\]/.!%(),_&>*@=^<'#+~]+$/.test(t)) && /[-[:]/.test(text);

const files = (): readonly string[] =>
  READ.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((f) => join(folder, f)),
  ).filter((f) => /\.tsx?$/.test(f) && !ELSEWHERE.some((not) => not.test(f)));

/**
 * Where nothing is read but what is said there by a message: the rest is for a database, a log or a program, or
 * becomes part of a recipe.
 */
const PROGRAMS = [
  /^src\/server\//,
  /^src\/core\/order\/changes\/makings\.ts$/,
  /^src\/core\/recipe\/schools\.ts$/,
  /^src\/core\/formats\/(draft|jsonLd|found)\//,
  /^src\/core\/food\/lines\//,
];

type Visit = (node: Node, parents: readonly Node[]) => void;

function walk(node: Node, visit: Visit, parents: readonly Node[] = []): void {
  visit(node, parents);
  const inside = [...parents, node];
  for (const [key, value] of Object.entries(node)) {
    if (/Comments$|^loc$|^extra$/.test(key)) continue;
    for (const one of Array.isArray(value) ? value : [value]) if (isNode(one)) walk(one, visit, inside);
  }
}

const callee = (node: Node): string | null => {
  if (node.type !== 'CallExpression') return null;
  const { callee: of } = node;
  if (of.type === 'Identifier') return of.name;
  return of.type === 'MemberExpression' && of.property.type === 'Identifier' ? of.property.name : null;
};

const textOf = (node: Node | undefined): string | null => {
  if (node?.type === 'StringLiteral') return node.value;
  if (node?.type === 'TemplateLiteral') return node.quasis.map((q) => q.value.cooked ?? '').join('{}');
  return null;
};

/** An error is told to a program, a log or whoever runs Panache; a type, an import and a comparison to nobody. */
const TOLD_NOBODY = new Set([
  // Looked at where it stands itself.
  'JSXAttribute',
  'ImportDeclaration',
  'ExportNamedDeclaration',
  'ExportAllDeclaration',
  'ImportExpression',
  'TSLiteralType',
  'BinaryExpression',
  'SwitchCase',
  'Directive',
]);
const inCode = (parents: readonly Node[]): boolean => {
  const parent = parents.at(-1);
  if (!parent || TOLD_NOBODY.has(parent.type)) return true;
  return parents.some(
    (p) =>
      p.type === 'NewExpression' &&
      p.callee.type === 'Identifier' &&
      /Error$|^Set$|^Event$|^CustomEvent$|^RegExp$/.test(p.callee.name),
  );
};

/** A place in an element whose text is read: all but attributes that are none. */
const isShown = (node: Node | undefined): boolean =>
  node?.type !== 'JSXAttribute' || SHOWN.has(String(node.name.name));

const inLook = (parents: readonly Node[]): boolean =>
  parents.some(
    (p) =>
      (p.type === 'JSXAttribute' && !SHOWN.has(String(p.name.name))) ||
      (p.type === 'CallExpression' && callee(p) === 'clsx'),
  );

/** The names of an object’s values where they can all be read; null where some come from elsewhere. */
function namesIn(node: Node | undefined): readonly string[] | null {
  if (node === undefined) return [];
  if (node.type !== 'ObjectExpression') return null;
  const names = node.properties.map((p) =>
    p.type === 'SpreadElement' ? null : p.key.type === 'Identifier' ? p.key.name : null,
  );
  return names.includes(null) ? null : (names as string[]);
}

/** The messages of a table get their figures when one is said. */
const isOfTable = (parents: readonly Node[]): boolean =>
  parents.some((p) => p.type === 'ObjectProperty' || p.type === 'ArrayExpression');

/** A field puts the unit it is typed in into its own words. */
const givenByField = (parents: readonly Node[]): readonly string[] =>
  parents.some((p) => p.type === 'JSXAttribute' && String(p.name.name) === 'words') ? ['unit'] : [];

/** What the braces of a message ask for. */
const askedIn = (elements: readonly MessageFormatElement[]): readonly string[] =>
  elements.flatMap((e) => {
    if (e.type === TYPE.literal || e.type === TYPE.pound) return [];
    if (e.type === TYPE.tag) return askedIn(e.children);
    if (e.type !== TYPE.select && e.type !== TYPE.plural) return [e.value];
    return [e.value, ...Object.values(e.options).flatMap((o) => askedIn(o.value))];
  });

/** All messages of the code, those that lack a figure, and all words that are read and are none. */
export function messagesIn(
  file: string,
  code: string,
): { found: readonly Found[]; short: readonly Short[]; outside: readonly Outside[] } {
  const found: Found[] = [];
  const short: Short[] = [];
  const outside: Outside[] = [];
  const ast = parse(code, { sourceType: 'module', plugins: ['typescript', 'jsx'] });
  walk(ast.program, (node, parents) => {
    const at = `${file}:${node.loc?.start.line}`;
    const maker = callee(node);
    if (node.type === 'CallExpression' && maker && MAKERS.has(maker)) {
      const [first] = node.arguments;
      const either = first?.type === 'ConditionalExpression' ? [first.consequent, first.alternate] : [first];
      for (const text of either.map((e) => (e?.type === 'StringLiteral' ? e.value : null)))
        if (text !== null) {
          found.push({ text, at });
          const later = maker === 'titled' || (node.arguments.length < 2 && isOfTable(parents));
          const given = later ? null : namesIn(node.arguments[1]);
          const names = given && new Set([...given, ...givenByField(parents)]);
          for (const name of names ? new Set(askedIn(parseMessage(text))) : [])
            if (!names?.has(name)) short.push({ text, lacks: name, at });
        }
      if (first?.type === 'TemplateLiteral')
        outside.push({ words: `a message is a plain text: ${textOf(first)}`, at });
      return;
    }
    if (node.type === 'CallExpression' && maker && NAMERS.has(maker))
      for (const given of node.arguments)
        if (given.type === 'StringLiteral' && hasWords(given.value)) found.push({ text: given.value, at });
    if (node.type === 'JSXText') {
      if (hasWords(node.value)) outside.push({ words: node.value.trim(), at });
      return;
    }
    if (node.type === 'JSXAttribute' && node.value?.type === 'StringLiteral') {
      if (SHOWN.has(String(node.name.name)) && hasWords(node.value.value))
        outside.push({ words: node.value.value, at });
      return;
    }
    const text = node.type === 'StringLiteral' || node.type === 'TemplateLiteral' ? textOf(node) : null;
    if (text === null || inCode(parents) || inLook(parents)) return;
    const parent = parents.at(-1);
    if (
      parent?.type === 'CallExpression' &&
      (MAKERS.has(callee(parent) ?? '') || NAMERS.has(callee(parent) ?? ''))
    )
      return;
    if (parent?.type === 'ConditionalExpression') {
      const above = parents.at(-2);
      if (above?.type === 'CallExpression' && MAKERS.has(callee(above) ?? '')) return;
    }
    // A single word, where only words stand.
    const named =
      parent?.type === 'ObjectProperty' &&
      parent.value === node &&
      parent.key.type === 'Identifier' &&
      NAMED.has(parent.key.name);
    const shown =
      parent?.type === 'JSXExpressionContainer' ||
      (parent?.type === 'ConditionalExpression' &&
        parents.at(-2)?.type === 'JSXExpressionContainer' &&
        isShown(parents.at(-3)));
    if ((named || shown) && hasWords(text) && !isLook(text)) {
      outside.push({ words: text, at });
      return;
    }
    if (SENTENCE.test(text.replace(UNITS, '')) && !isLook(text)) outside.push({ words: text, at });
  });
  return { found, short, outside: PROGRAMS.some((r) => r.test(file)) ? [] : outside };
}

/** The same of all files whose words are read on a screen. */
export function allMessages(): Pick<ReturnType<typeof messagesIn>, 'found' | 'short' | 'outside'> {
  const each = files().map((f) => messagesIn(f, readFileSync(f, 'utf8')));
  return {
    found: each.flatMap((e) => e.found),
    short: each.flatMap((e) => e.short),
    outside: each.flatMap((e) => e.outside),
  };
}
