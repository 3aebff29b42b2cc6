import { randomUUID } from 'node:crypto';
import { expect, type Page, test } from '@playwright/test';
import ICAL from 'ical.js';
import { demoKitchen } from '../demo/demo';
import { live, watch } from './kit';

const THURSDAY = '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a01';
const FRIDAY = '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a02';

type Body = { id: string; day: string; soups: { id: string }[]; placed: Record<string, { lightAt: number }> };

test.beforeEach(({ page }) => watch(page));

// Pots and burners as the demo has them: others measure them anew, and minutes move.
test.beforeAll(async ({ request }) => {
  const { revision } = await (await request.get('/api/kitchen')).json();
  const kept = await request.put('/api/kitchen', { data: { kitchen: demoKitchen(), revision, by: '' } });
  expect(kept.ok()).toBe(true);
});

/** The kitchen’s day: until four it is the evening before. */
const today = () => {
  const now = new Date(Date.now() - 4 * 3_600_000);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
};
const at = (day: string, time: string) => new Date(`${day}T${time}:00`);

const read = async (page: Page, id: string): Promise<{ service: Body; revision: number }> =>
  (await page.request.get(`/api/services/${id}`)).json();

/** The demo's service again, on a day of one's own. */
async function copyOf(page: Page, of: string, day: string, without: readonly string[] = []): Promise<string> {
  const { service } = await read(page, of);
  const id = randomUUID();
  const soups = service.soups.filter((s) => !without.includes(s.id));
  const made = { ...service, id, day, soups, name: 'Trial lunch', started: {} };
  const kept = await page.request.put('/api/services', { data: { service: made, base: 0, by: '' } });
  expect(kept.ok()).toBe(true);
  return id;
}

const bar = (page: Page, name: RegExp) =>
  page.getByRole('region', { name: 'The board' }).getByRole('button', { name });

/** Opens a service on the page's own clock, and waits until every timetable is there. */
async function open(page: Page, id: string, day: string): Promise<void> {
  await page.goto(`/service?day=${day}&id=${id}`);
  await live(page);
  await expect(page.getByText('Working out how long each takes …')).toHaveCount(0, { timeout: 40_000 });
}

async function drag(page: Page, name: RegExp, right: number, rows: number): Promise<void> {
  const box = (await bar(page, name).boundingBox())!;
  const from = { x: box.x + 24, y: box.y + 24 };
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (let n = 1; n <= 8; n++) await page.mouse.move(from.x + (right * n) / 8, from.y + (rows * 78 * n) / 8);
  await page.mouse.up();
}

/** Lights what comes next; a pot of another test is taken all the same. */
async function light(page: Page, soup: string, id: string, key: string): Promise<string> {
  await page.getByRole('button', { name: `Light ${soup}`, exact: true }).click();
  let started = '';
  await expect(async () => {
    const anyway = page.getByRole('button', { name: 'Start all the same' });
    if (await anyway.isVisible()) await anyway.click();
    const { service } = (await read(page, id)) as unknown as { service: { started: Record<string, string> } };
    started = service.started[key] ?? '';
    expect(started).not.toBe('');
  }).toPass({ timeout: 40_000 });
  return started;
}

test('a day is planned, a clash is dragged away, two batches are lit, one runs late, the rest is planned again, printed and taken along', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const day = today();
  // Three soups of one pot each: what is made of several is on the board of the next.
  const id = await copyOf(page, THURSDAY, day, ['crab-shell-bisque', 'roast-carrot-cream']);
  await page.clock.install({ time: at(day, '09:30') });
  await open(page, id, day);
  await expect(page.getByText('Nothing clashes.')).toBeVisible();
  await expect(
    bar(page, /^Smoked parsnip velouté, 12\.2 L, in Tall Steel 36 on Front right: lit 10:34/),
  ).toBeVisible();

  await drag(page, /^Smoked parsnip/, 0, -1);
  await expect(page.getByText(/want Front left at once/)).toBeVisible();
  // What would mend it is tried on copies of the whole board, once it is known how long each takes everywhere.
  await expect(
    page.getByRole('button', { name: /on (Front right|Back plate|Floor ring): / }).first(),
  ).toBeVisible({
    timeout: 40_000,
  });
  await drag(page, /^Smoked parsnip/, 0, 1);
  await expect(page.getByText('Nothing clashes.')).toBeVisible();
  await expect
    .poll(async () => (await read(page, id)).service.placed['smoked-parsnip-veloute'])
    .toMatchObject({
      burnerId: 'front-right',
      pinned: true,
    });

  await page.clock.setFixedTime(at(day, '10:34'));
  const veloute = await light(page, 'Smoked parsnip velouté', id, 'smoked-parsnip-veloute');
  const batch = await (await page.request.get(`/api/batches/${veloute}`)).json();
  const lit = Date.parse(batch.startedAt);
  const [, second] = batch.plan.steps;
  const ended = async (step: number, seconds: number) => {
    const data = {
      id: randomUUID(),
      at: new Date(lit + seconds * 1000).toISOString(),
      station: 'Closer',
      body: { kind: 'step-done', step },
    };
    expect((await page.request.post(`/api/batches/${veloute}/events`, { data })).ok()).toBe(true);
  };
  // While its first step is under way it is ready when it was to be.
  await page.clock.setFixedTime(at(day, '10:44'));
  await expect(bar(page, /^Smoked parsnip velouté.*ready 11:(39|4[0-3])/)).toBeVisible();
  await light(page, 'Cockle and leek chowder', id, 'cockle-and-leek-chowder');

  // That ends in time, its second twelve minutes after it should have.
  await ended(0, second.startsAt);
  await page.clock.setFixedTime(at(day, '11:10'));
  await ended(1, second.startsAt + second.seconds + 12 * 60);
  await expect(bar(page, /^Smoked parsnip velouté.*ready 1(1:5\d|2:0\d).*It clashes/)).toBeVisible({
    timeout: 40_000,
  });

  // What would mend the clash comes beside it while the finger is on its way: a tap that met nothing is made again.
  const arranged = page.getByText(/^Smoked parsnip velouté is \d+ min late for 11:45\.$/);
  await expect(async () => {
    const arrange = page.getByRole('button', { name: /^Arrange/ }).first();
    if (await arrange.isVisible()) await arrange.click();
    await expect(arranged).toBeVisible({ timeout: 12_000 });
  }).toPass({ timeout: 60_000 });
  await expect(page.getByText('Being saved.')).toHaveCount(0);
  const { service } = await read(page, id);
  const PEAS = 'green-pea-and-lettuce-cream';
  expect(service.placed[PEAS]!.lightAt).toBeGreaterThanOrEqual(11 * 60 + 10);

  await page.goto(`/service/print?id=${id}`);
  await expect(page.getByRole('row')).toHaveCount(4);
  await expect(page.getByRole('heading', { name: 'Trial lunch' })).toBeVisible();
  const ics = await (await page.request.get(`/api/services/${id}/export?as=ics`)).text();
  const events = new ICAL.Component(ICAL.parse(ics))
    .getAllSubcomponents('vevent')
    .map((e) => new ICAL.Event(e));
  const peas = events.find((e) => e.uid === `${id}-${PEAS}-cook`)!;
  expect(peas.startDate.hour * 60 + peas.startDate.minute).toBe(service.placed[PEAS]!.lightAt);
});

test('what a soup has beside its pot stands on its burner and in the oven, and moves with it', async ({
  page,
}) => {
  const { service } = await read(page, THURSDAY);
  const id = await copyOf(page, THURSDAY, service.day);
  await open(page, id, service.day);
  const board = page.getByRole('region', { name: 'The board' });
  const base = board.getByText('base pot', { exact: true });
  await expect(base).toBeVisible();
  await expect(board.getByText('Oven', { exact: true })).toBeVisible();
  await expect(board.getByText(/^\d trays?$/).first()).toBeVisible();
  const before = (await base.boundingBox())!;
  await bar(page, /^Crab-shell bisque/).focus();
  await page.keyboard.press('ArrowRight');
  await expect(bar(page, /^Crab-shell bisque.*lit 09:01/)).toBeFocused();
  await expect.poll(async () => (await base.boundingBox())!.x).toBeGreaterThan(before.x + 3);
});

test('a day that cannot be done says what would make it possible, and one tap of that does', async ({
  page,
}) => {
  const { service } = await read(page, FRIDAY);
  const id = await copyOf(page, FRIDAY, service.day);
  await open(page, id, service.day);
  await page
    .getByRole('button', { name: /^Arrange/ })
    .first()
    .click();
  await expect(
    page.getByText('This cannot be done as it is. Each of these would make it possible by itself:'),
  ).toBeVisible({
    timeout: 30_000,
  });
  await expect(page.getByText('One more pot such as Middle 28')).toBeVisible({ timeout: 30_000 });
  await page
    .getByRole('button', { name: /^Smoked-haddock and sweetcorn chowder on the pass \d+ min later/ })
    .click();
  await page
    .getByRole('button', { name: /^Arrange/ })
    .first()
    .click();
  await expect(page.getByText(/^Nothing late, /)).toBeVisible({ timeout: 40_000 });
});

test('bars are moved by arrows and it is said what that means; what cannot be typed is said and changes nothing', async ({
  page,
}) => {
  const { service } = await read(page, THURSDAY);
  const id = await copyOf(page, THURSDAY, service.day);
  await open(page, id, service.day);
  await bar(page, /^Crab-shell bisque/).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText(/lit 08:51, ready 12:18, held hot 42 min\. /)).toBeAttached();
  // The board has taken the one before, and the server has it, before the next is pressed.
  await expect.poll(async () => (await read(page, id)).revision).toBeGreaterThan(1);
  await expect(bar(page, /^Crab-shell bisque.*lit 08:51/)).toBeFocused();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(bar(page, /^Crab-shell bisque.*lit 08:52/)).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await expect(bar(page, /^Crab-shell bisque.*on Front right/)).toBeVisible();

  // A time on the pass takes all its soups along.
  await page.getByRole('button', { name: '11:45 on the pass, 3 soups' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'On the pass at: 11:50 and 13:00' })).toBeVisible();

  await page.getByRole('button', { name: /^Hands and tools/ }).click();
  await page.getByLabel('Pairs of hands at once').fill('0');
  await expect(page.getByText('“0” is not a whole number from 1 to 20')).toBeVisible();
  await page.getByLabel('Nothing begins before').fill('late');
  await expect(page.getByText('“late” is not a time such as 11:45')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Hands and tools: 2 pairs of hands' })).toBeVisible();

  await page.getByRole('button', { name: /^Files/ }).click();
  const choose = page.getByLabel('Open a service, a calendar, or covers as CSV');
  const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await choose.setInputFiles(file('menu.ics', 'BEGIN:VCALENDAR\nnot one'));
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be read as one' })).toBeVisible();
  await choose.setInputFiles(file('covers.csv', `day,covers,name\n${service.day},240,Lunch\n`));
  await page.getByRole('button', { name: /^240 covers/ }).click();
  await expect(page.getByRole('button', { name: 'Covers: 240 covers' })).toBeVisible();
  await expect.poll(async () => (await read(page, id)).service).toMatchObject({ covers: 240, hands: 2 });
});

test('a menu comes round by weeks, 52 at most; a soup’s times are typed with their litres; a plan goes onto the board', async ({
  page,
}) => {
  const { service } = await read(page, THURSDAY);
  const id = await copyOf(page, THURSDAY, service.day);
  await open(page, id, service.day);
  await page.getByRole('button', { name: /^Which service/ }).click();
  await page.getByLabel('Weeks until it begins again').fill('53');
  await expect(page.getByText('“53” is not a whole number from 1 to 52')).toBeVisible();
  await page.getByLabel('Weeks until it begins again').fill('2');
  await expect(page.getByText(/Week 2: nothing/)).toBeVisible();
  await page.getByRole('button', { name: /^Repeat it every cycle, in week 1/ }).click();
  await expect(page.getByText(/Week 1: one service/)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: /^Soups: 5 soups/ }).click();
  const times = page.locator('#soup-crab-shell-bisque-times');
  await times.fill('12:30 12 L, noon');
  await expect(page.getByText(/^times such as 11:45, 13:00/)).toBeVisible();
  await times.fill('12:30 12 L, 13:15 6 L');
  await expect(page.locator('#soup-crab-shell-bisque-amount')).toHaveValue('18');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^On the pass at: .*13:15/ })).toBeVisible();

  await page.goto('/plan?recipe=jacket-potato-soup&litres=6&at=12:20');
  await live(page);
  await page.getByRole('button', { name: /^Print or export/ }).click();
  await page
    .getByRole('button', { name: /^Put it on / })
    .first()
    .click();
  await page.getByRole('link', { name: /^It is on .*: open the board$/ }).click();
  await expect(bar(page, /^Jacket-potato soup, 6 L/)).toBeVisible({ timeout: 40_000 });
});

test('two stations at once: what each changes is kept, what both do is told; without the server it waits', async ({
  page,
  context,
}) => {
  const { service } = await read(page, THURSDAY);
  const id = await copyOf(page, THURSDAY, service.day);
  await open(page, id, service.day);
  const other = await context.newPage();
  watch(other);
  await open(other, id, service.day);
  await bar(page, /^Crab-shell bisque/).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(bar(other, /^Crab-shell bisque.*lit 08:51/)).toBeVisible({ timeout: 40_000 });
  await other.close();

  // Somebody else changes the same while this station cannot save.
  const saves = (url: URL) => url.pathname === '/api/services';
  await page.route(saves, (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
  await bar(page, /^Crab-shell bisque/).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(bar(page, /^Crab-shell bisque.*lit 08:46/)).toBeVisible();
  const now = await read(page, id);
  const theirs = { ...now.service.placed['crab-shell-bisque'], lightAt: 600 };
  const placed = { ...now.service.placed, 'crab-shell-bisque': theirs };
  const saved = await page.request.put('/api/services', {
    data: { service: { ...now.service, placed }, base: now.revision, by: 'Closer' },
  });
  expect(saved.ok()).toBe(true);
  await page.unroute(saves);
  const told = page.getByRole('alert').filter({ hasText: 'theirs stands: where Crab-shell bisque stands' });
  await expect(told).toBeVisible({ timeout: 30_000 });
  await expect(bar(page, /^Crab-shell bisque.*lit 10:00/)).toBeVisible();
  await page.getByRole('button', { name: 'Put mine back' }).click();
  await expect
    .poll(async () => (await read(page, id)).service.placed['crab-shell-bisque']?.lightAt)
    .toBe(526);
});

test('what is changed while the server is away outlives a reload', async ({ page }) => {
  const { service } = await read(page, THURSDAY);
  const id = await copyOf(page, THURSDAY, service.day);
  await open(page, id, service.day);
  await page.route(
    (url) => url.pathname === '/api/services',
    (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()),
  );
  await bar(page, /^Crab-shell bisque/).focus();
  await page.keyboard.press('ArrowLeft');
  await page.unrouteAll();
  await page.reload();
  await expect(bar(page, /^Crab-shell bisque.*lit 08:51/)).toBeVisible({ timeout: 40_000 });
  await expect
    .poll(async () => (await read(page, id)).service.placed['crab-shell-bisque']?.lightAt)
    .toBe(531);
});
