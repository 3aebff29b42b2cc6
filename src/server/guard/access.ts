import type { RouteName } from '../../contract/routes';
import type { BatchEvent } from '../../core/batch/events';
import type { KeepEvent } from '../../core/keep/events';
import type { Access } from '../../core/record/access';
import type { Who } from './asking';

/**
 * What something asks of whoever does it: nothing; to have a key; to be somebody who cooks; to be one who is trusted with the day;
 * to be a lead, where it is only looked at, and by the PIN where it is done.
 */
export type Need = 'nothing' | 'a key' | 'to cook' | 'the day' | 'a lead' | 'the PIN';

/** Routes the contract does not have: files, and what is answered without a page’s machinery. */
type FileRoute =
  | 'GET /api/archive'
  | 'GET /api/clock'
  | 'GET /api/health'
  | 'GET /api/health/live'
  | 'GET /api/health/ready'
  | 'GET /api/help/[picture]'
  | 'GET /api/keep/labels'
  | 'GET /api/line-spread'
  | 'GET /api/live'
  | 'GET /api/log/file'
  | 'GET /api/log/given'
  | 'GET /api/log/week'
  | 'GET /api/metrics'
  | 'GET /api/plan/export'
  | 'GET /api/rail'
  | 'GET /api/recipes'
  | 'GET /api/services/[id]/export'
  | 'GET /api/services/cycle'
  | 'GET /api/trust/root';

/** What each route asks. One that is left out here does not compile; one that is nowhere asks for the PIN. */
export const NEEDS: Readonly<Record<RouteName | FileRoute, Need>> = {
  'GET /api/health': 'nothing',
  'GET /api/health/live': 'nothing',
  'GET /api/health/ready': 'nothing',
  'GET /api/clock': 'nothing',
  'GET /api/trust/root': 'nothing',
  'GET /api/stations/me': 'nothing',
  'POST /api/stations/pair': 'nothing',

  'GET /api/record': 'a key',
  'POST /api/record/verify': 'a key',

  'GET /api/live': 'to cook',
  'GET /api/rail': 'to cook',
  'GET /api/help/[picture]': 'to cook',
  'GET /api/recipes': 'to cook',
  'GET /api/recipes/list': 'to cook',
  'GET /api/recipes/[id]': 'to cook',
  'GET /api/kitchen': 'to cook',
  'GET /api/services': 'to cook',
  'GET /api/services/cycle': 'to cook',
  'GET /api/services/[id]': 'to cook',
  'GET /api/services/[id]/export': 'to cook',
  'GET /api/keep': 'to cook',
  'GET /api/keep/labels': 'to cook',
  'GET /api/line-spread': 'to cook',
  'GET /api/plan/export': 'to cook',
  'GET /api/batches/[id]': 'to cook',
  'GET /api/log': 'to cook',
  'GET /api/log/[id]': 'to cook',
  'GET /api/log/knows': 'to cook',
  'GET /api/log/numbers': 'to cook',
  'GET /api/log/file': 'to cook',
  'GET /api/log/given': 'to cook',
  'GET /api/log/week': 'to cook',
  'POST /api/plan': 'to cook',
  'POST /api/foresight': 'to cook',
  'POST /api/open': 'to cook',
  'POST /api/drafts': 'to cook',
  'POST /api/services/open': 'to cook',
  'POST /api/batches': 'to cook',
  'POST /api/batches/[id]/events': 'to cook',
  'POST /api/keep/[id]/events': 'to cook',
  'POST /api/devices/[id]/[verb]': 'to cook',

  'PUT /api/services': 'the day',
  'PUT /api/services/cycle': 'the day',
  'POST /api/services/[id]/start': 'the day',
  'POST /api/kitchen/water-tests': 'the day',
  'POST /api/kitchen/funnels': 'the day',
  // The PIN itself is for whoever may be raised by it.
  'POST /api/stations/pin': 'the day',
  'DELETE /api/stations/pin': 'the day',

  'GET /api/archive': 'a lead',
  'GET /api/group': 'a lead',
  'GET /api/metrics': 'a lead',
  'GET /api/stations': 'a lead',

  'POST /api/recipes': 'the PIN',
  'PUT /api/recipes/[id]': 'the PIN',
  'POST /api/recipes/[id]/restore': 'the PIN',
  'POST /api/recipes/[id]/archive': 'the PIN',
  'DELETE /api/recipes/[id]': 'the PIN',
  'PUT /api/kitchen': 'the PIN',
  'POST /api/kitchen/restore': 'the PIN',
  'POST /api/archive': 'the PIN',
  'POST /api/archive/undo': 'the PIN',
  'POST /api/log/[id]/recipe': 'the PIN',
  'POST /api/log/notebook': 'the PIN',
  'POST /api/log/acts': 'the PIN',
  'POST /api/group/published': 'the PIN',
  'POST /api/group/published/[id]': 'the PIN',
  'POST /api/stations/codes': 'the PIN',
  'PUT /api/stations/[id]': 'the PIN',
  'DELETE /api/stations/[id]': 'the PIN',
  // The first is set by whoever is a lead: there is none to be asked for.
  'PUT /api/stations/pin': 'a lead',
};

/** Pages, by how they begin; the rest are for whoever cooks. */
const PAGES: readonly (readonly [RegExp, Need])[] = [
  [/^\/(pair|trust)\/?$/, 'nothing'],
  [/^\/record(\/|$)/, 'a key'],
];

/** What lies ready for any browser: scripts, fonts, the icon, what is shown while the server is away. */
const READY = /^\/(_next\/static\/|[^/]+\.(svg|js|css|html|ico|txt|png|webmanifest)$)/;

const PATTERNS = Object.entries(NEEDS).map(([route, need]) => {
  const [method = '', path = ''] = route.split(' ');
  const pattern = new RegExp(`^${path.replaceAll(/\[[^\]]+\]/g, '[^/]+')}/?$`);
  // A name of its own comes before any that stands in brackets.
  return { method, pattern, need, named: !path.includes('[') };
});
const BY_NAME = [...PATTERNS].sort((a, b) => Number(b.named) - Number(a.named));

/** What it asks for to do `method` at `path`. */
export function needOf(method: string, path: string): Need {
  const reads = method === 'HEAD' ? 'GET' : method;
  if (!path.startsWith('/api/')) {
    if (READY.test(path)) return 'nothing';
    return PAGES.find(([begins]) => begins.test(path))?.[1] ?? 'to cook';
  }
  return BY_NAME.find((p) => p.method === reads && p.pattern.test(path))?.need ?? 'the PIN';
}

/** What each may do without the PIN. */
const MAY: Readonly<Record<Access, ReadonlySet<Need>>> = {
  inspector: new Set<Need>(['nothing', 'a key']),
  trainee: new Set<Need>(['nothing', 'a key', 'to cook']),
  line: new Set<Need>(['nothing', 'a key', 'to cook', 'the day']),
  lead: new Set<Need>(['nothing', 'a key', 'to cook', 'the day', 'a lead']),
};

/** Who may type the PIN to do what only a lead may. */
const MAY_BE_RAISED: ReadonlySet<Access> = new Set<Access>(['line', 'lead']);

/** Whether somebody may do what has that need: yes; with the PIN; no; or not before they have a key. */
export function mayDo(who: Who, need: Need): 'yes' | 'with the PIN' | 'no' | 'unknown' {
  if (who.kind === 'here' || need === 'nothing') return 'yes';
  if (who.kind === 'stranger') return 'unknown';
  if (who.raised || MAY[who.access].has(need)) return 'yes';
  return MAY_BE_RAISED.has(who.access) ? 'with the PIN' : 'no';
}

/** What a line itself asks for: days are signed by a lead, and what a trainee may write is what they cook. */
const LINES: Partial<Record<KeepEvent['body']['kind'] | BatchEvent['body']['kind'], Need>> = {
  signed: 'the PIN',
  'thrown away': 'the day',
  'put right': 'the day',
  'probe checked': 'the day',
  'probe put right': 'the day',
};
export const needOfLine = (kind: KeepEvent['body']['kind'] | BatchEvent['body']['kind']): Need =>
  LINES[kind] ?? 'to cook';
