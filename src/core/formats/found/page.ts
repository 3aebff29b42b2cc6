import { type Document, type Element, isTag, isText, type Node } from 'domhandler';
import { parseDocument } from 'htmlparser2';
import { readRecipeNode, recipeNodes } from '../jsonLd/jsonLd';
import type { FoundRecipe } from './found';
import { recipesInText } from './prose';

/** What is on a page for other reasons than its recipe. */
const ASIDE = new Set([
  ...['script', 'style', 'nav', 'footer', 'aside', 'form', 'button', 'select', 'svg', 'iframe', 'noscript'],
  ...['template', 'head', 'dialog', 'menu', 'video', 'audio', 'figure'],
]);
const HEADING: Readonly<Record<string, string>> = {
  h1: '# ',
  h2: '## ',
  h3: '### ',
  h4: '### ',
  h5: '### ',
  h6: '### ',
};
const BLOCK = new Set([
  ...[
    'p',
    'div',
    'li',
    'tr',
    'br',
    'section',
    'article',
    'ul',
    'ol',
    'table',
    'main',
    'header',
    'dt',
    'dd',
    'dl',
  ],
  ...['blockquote', 'pre', 'hr', 'tbody', 'thead', 'caption', 'label', 'fieldset', 'address'],
  ...Object.keys(HEADING),
]);

/** Every element of a page, each before what is in it; a page as deep as it likes. */
function* elementsOf(root: Document | Element): Generator<Element> {
  const waiting: Node[] = [...root.children].reverse();
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (!isTag(node)) continue;
    yield node;
    for (let n = node.children.length - 1; n >= 0; n--) waiting.push(node.children[n] as Node);
  }
}

/** The words of a page, a line for each block; with `aside`, of what is beside the matter too. */
function linesOf(root: Document | Element, aside = false): readonly string[] {
  let text = '';
  const waiting: (Node | string)[] = [...root.children].reverse();
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop()) {
    if (typeof node === 'string') text += node;
    else if (isText(node)) text += node.data.replace(/\s+/g, ' ');
    else if (isTag(node) && (aside || !ASIDE.has(node.name))) {
      const block = BLOCK.has(node.name);
      if (block) text += `\n${HEADING[node.name] ?? (node.name === 'li' ? '- ' : '')}`;
      if (block) waiting.push('\n');
      if (node.name === 'td' || node.name === 'th') waiting.push(' ');
      for (let n = node.children.length - 1; n >= 0; n--) waiting.push(node.children[n] as Node);
    }
  }
  return text
    .split('\n')
    .map((l) => l.replace(/\s+/g, ' ').trim())
    .filter((l) => l.replace(/^[-#\s]+/, '') !== '');
}

const wordsOf = (e: Element): string =>
  (e.attribs.content ?? e.attribs.datetime ?? linesOf(e, true).join(' ')).trim();

/** The recipes a page marks up in its elements: microdata (`itemtype`) or RDFa (`typeof`). */
function markedUp(root: Document): readonly Record<string, unknown>[] {
  const found: Record<string, unknown>[] = [];
  for (const scope of elementsOf(root)) {
    const type = scope.attribs.itemtype ?? scope.attribs.typeof ?? '';
    if (!/(?:^|[/:\s])Recipe$/.test(type.trim())) continue;
    const said: Record<string, unknown[]> = {};
    for (const e of elementsOf(scope)) {
      const names = (e.attribs.itemprop ?? e.attribs.property ?? '').split(/\s+/).filter(Boolean);
      for (const full of names) {
        const name = full.replace(/^.*[/:]/, '');
        // A list in one element is as many lines as it shows.
        const several = /^(?:recipeInstructions|recipeIngredient|ingredients)$/.test(name);
        const items = several ? linesOf(e, true).map((l) => l.replace(/^[-#\s]+/, '')) : [wordsOf(e)];
        const list = said[name] ?? [];
        list.push(...items.filter((i) => i !== '' && !list.includes(i)));
        said[name] = list;
      }
    }
    const [name] = said.name ?? said.headline ?? [];
    found.push({ ...said, name, recipeYield: said.recipeYield ?? said.yield, '@type': 'Recipe' });
  }
  return found;
}

function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/**
 * The recipes of a saved page: as it says itself (JSON-LD, microdata, RDFa), or else by its headings and lists.
 * Total; a page without one gives none.
 */
export function recipesInPage(html: string): readonly FoundRecipe[] {
  const root = parseDocument(html, { decodeEntities: true });
  const said = [...elementsOf(root)].filter(
    (e) => e.name === 'script' && /ld\+json/i.test(e.attribs.type ?? ''),
  );
  const nodes = said.flatMap((e) =>
    recipeNodes(jsonIn(e.children.map((c) => (isText(c) ? c.data : '')).join(''))),
  );
  const told = [...nodes, ...(nodes.length > 0 ? [] : markedUp(root))].flatMap((node) => {
    const read = readRecipeNode(node);
    return read.ok ? [read.found] : [];
  });
  if (told.length > 0) return told;
  const main = [...elementsOf(root)].find((e) => e.name === 'main' || e.name === 'article');
  const here = main ? recipesInText(linesOf(main).join('\n')) : [];
  return here.length > 0 ? here : recipesInText(linesOf(root).join('\n'));
}
