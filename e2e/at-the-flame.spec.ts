import { type BrowserContext, expect, test } from '@playwright/test';
import { serve } from '../cli/app.mjs';
import { app as here } from './app';
import { open, watch } from './kit';
import { foundByAxe } from './looks';
import { begin, done, eventsOf, heading, kindsOf, left, pair, pass, simulate, tickAll } from './stove';

const VELOUTE = 'recipe=smoked-parsnip-veloute&litres=8&pot=middle-28&burner=front-right';
const LIAISON = 'recipe=mussel-veloute-with-liaison&litres=8&pot=middle-28&burner=front-right';

test.beforeEach(async ({ page }) => {
  watch(page);
  await simulate.clock(new Date().toISOString());
});
test.afterEach(async () => {
  for (const device of ['probe-1', 'probe-2', 'flow-1', 'scale-1']) await simulate.fault(device, 'none');
});

/** No axe violation on the page as it stands. */
async function clean(page: import('@playwright/test').Page, what: string): Promise<void> {
  const violations = await foundByAxe(page);
  expect(violations.map((v) => `${what} ${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
}

test('a roux velouté from plan to finish, with probe, scale and flow timer', async ({ page }) => {
  test.setTimeout(240_000);
  await page.clock.install();
  const id = await begin(page, VELOUTE);
  await pair(page, ['Probe 2', 'Bench scale', 'Flow timer']);
  const probed = () =>
    expect(page.getByRole('region', { name: 'Now', exact: true })).toContainText(/Probe 2, seen \d s ago/);
  await probed();

  // Weighed by the scale: two taps, and what it showed is written down.
  await expect(heading(page)).toHaveText(/^Sweat the/);
  await page
    .getByRole('button', { name: /^Weighed: / })
    .first()
    .click();
  await page.getByRole('button', { name: /^Bench scale shows/ }).click();
  await expect(page.getByText('weighed', { exact: true })).toBeVisible();
  await pass(page, await left(page));
  await probed();
  await done(page);

  await expect(heading(page)).toHaveText('Cook a blond roux');
  await page.getByRole('button', { name: /^brown/ }).click();
  await expect(page.getByRole('button', { name: /^brown/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: /^blond/ }).click();
  await clean(page, 'roux');
  await pass(page, await left(page));
  await probed();
  await done(page);

  await expect(heading(page)).toHaveText(/^Whisk in/);
  expect(await tickAll(page, /4 pours/)).toBe(4);
  await pass(page, await left(page));
  await probed();
  await done(page);

  await expect(heading(page)).toHaveText('Bring to the simmer');
  const before = await left(page);
  await pass(page, before / 2);
  // The probe in the simulated pot, which has caught up, written down in two taps.
  await probed();
  await page.getByRole('button', { name: 'Temperature' }).click();
  await page.getByRole('button', { name: /^Probe 2 shows/ }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await pass(page, await left(page));
  await probed();
  await done(page);
  await pass(page, await left(page));
  await probed();
  await done(page);

  await expect(heading(page)).toHaveText('Simmer until tender');
  await pass(page, await left(page));
  await probed();
  await page.getByRole('button', { name: 'Fork' }).click();
  await page.getByRole('button', { name: /^Tender/ }).click();
  await page.getByRole('button', { name: 'Level' }).click();
  await page
    .getByRole('group', { name: /Near what/ })
    .getByRole('button')
    .nth(2)
    .click();
  await done(page);

  await expect(heading(page)).toHaveText(/^Blend/);
  await pass(page, await left(page));
  await probed();
  await done(page);

  // A flow test by the house funnel, timed by the flow timer, twice; then the median stands on the ladder.
  await page.getByRole('link', { name: 'Flow test' }).click();
  await expect(page).toHaveURL(new RegExp(`/check\\?batch=${id}`));
  await page.getByRole('button', { name: /^Galley funnel/ }).click();
  for (let n = 1; n <= 2; n++) {
    await page.getByRole('button', { name: /^Let Flow timer time it/ }).click();
    await expect(page.getByRole('list', { name: 'Readings' }).getByRole('button')).toHaveCount(n, {
      timeout: 40_000,
    });
  }
  await expect(page.getByText('In the bowl, 65 °C')).toBeVisible();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page).toHaveURL(`/stove/${id}`);
  await expect(page.getByRole('img', { name: /measured \d+ mPa·s/ })).toBeVisible();

  for (let n = 0; n < 12 && !(await heading(page).innerText()).startsWith('On the pass'); n++) {
    await pass(page, await left(page));
    await probed();
    await done(page);
  }
  await expect(heading(page)).toHaveText('On the pass: write it down');
  await clean(page, 'end');
  await page.getByRole('button', { name: '4', exact: true }).click();
  await page.getByLabel('For whoever cooks it next').fill('A little more lemon.');
  await page.getByRole('button', { name: /^All served/ }).click();
  await expect(heading(page)).toHaveText(/^Served at/);
  await expect(page.getByText('A little more lemon.')).toBeVisible();

  await expect.poll(async () => (await kindsOf(id)).at(-1)).toBe('finished');
  const events = await eventsOf(id);
  const of = (kind: string) => events.filter((e) => e.body.kind === kind);
  expect(of('step-done').map((e) => e.body.step)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
  expect(of('part-done').map((e) => e.body.part)).toEqual([0, 1, 2, 3]);
  expect(of('paired')).toHaveLength(3);
  expect(of('colour').map((e) => e.body.colour)).toEqual(['brown', 'blond']);
  expect(of('dice')).toEqual([{ body: { kind: 'dice', fork: 'tender' } }]);
  expect(of('weighed')[0]?.body).toMatchObject({ step: 0, from: 'Bench scale' });
  // The probe was written down by hand once and with every step that ended.
  expect(of('temperature').length).toBeGreaterThanOrEqual(10);
  expect(of('temperature').every((e) => e.body.from === 'Probe 2')).toBe(true);
  expect(of('flow')[0]?.body).toMatchObject({ test: { kind: 'funnel', name: 'Galley funnel' } });
  expect(of('finished')[0]?.body).toMatchObject({ goesTo: 'pass', score: 4, note: 'A little more lemon.' });
  // Gone from the rail.
  await expect(page.locator(`header a[href="/stove/${id}"]`)).toBeHidden();
});

test('a liaison soup from plan to finish: ladles, a stop line, a reload in the middle, then held', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.clock.install();
  const id = await begin(page, LIAISON);
  await pair(page, ['Probe 1']);
  let tempered = 0;
  for (let n = 0; n < 16; n++) {
    const title = await heading(page).innerText();
    if (title.startsWith('On the pass')) break;
    if (title.startsWith('Rest')) {
      await page.reload();
      await expect(heading(page)).toHaveText(title);
      await expect(page.getByRole('timer', { name: 'Time left in this step' })).toHaveText(/\d\d:\d\d/);
    }
    if (title.startsWith('Temper')) {
      await expect(page.getByText(/stop: never 9\d °C|stop: never 85 °C/)).toBeVisible();
      tempered = await tickAll(page, /Ladles of/);
      await clean(page, 'tempering');
    }
    if (title.startsWith('Poach')) await expect(page.getByText(/The pot drops from/)).toBeVisible();
    if (title === 'Season') await expect(page.getByText(/The house wants 0.90 %/)).toBeVisible();
    await pass(page, await left(page));
    await done(page);
  }
  expect(tempered).toBeGreaterThanOrEqual(2);
  await page.getByLabel('What came of it, L').fill('7.8');
  await page.getByRole('button', { name: /^Hold it hot/ }).click();
  await expect(heading(page)).toHaveText(/^Held hot since/);
  // Held, it stays on the rail with its next check, and goes on in Keep.
  await expect(page.locator(`header a[href="/keep?lot=${id}"]`)).toContainText('Kept hot: probe by');
  await page.getByRole('link', { name: /^Keep it hot/ }).click();
  await page.getByRole('button', { name: 'Enter temperature' }).click();
  await page.getByLabel('Temperature, °C').fill('52');
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  await expect(page.getByText(/52\.0 °C: under 57 °C for \d+ min/)).toBeVisible();
  await expect(page.getByText('reheat to 74 °C')).toBeVisible();
  await page.getByRole('button', { name: 'Something’s wrong' }).click();
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await expect(page.locator(`header a[href="/keep?lot=${id}"]`)).toBeHidden();
  const kinds = await kindsOf(id);
  expect(kinds.filter((k) => k === 'step-done')).toHaveLength(12);
  expect(kinds.filter((k) => k === 'part-done')).toHaveLength(tempered);
  expect((await eventsOf(id)).find((e) => e.body.kind === 'finished')?.body).toMatchObject({
    goesTo: 'hold',
    yieldMl: 7800,
  });
});

test('the network goes for ten events and comes back: all arrive once, in order', async ({
  page,
  context,
}) => {
  const id = await begin(page, VELOUTE);
  // The page fetches what it may need later: a cook has been at it for a while.
  await page.waitForTimeout(4000);
  await context.setOffline(true);
  const wanted: string[] = [];
  for (let n = 0; n < 4; n++) {
    await done(page);
    wanted.push('step-done');
  }
  await page.keyboard.press('t');
  await page.getByRole('group', { name: 'Minutes' }).getByRole('button', { name: '8', exact: true }).click();
  wanted.push('timer-started');
  for (const [pad, answer, kind] of [
    ['Fork', /^Nearly/, 'dice'],
    ['Salt', /^Flat/, 'salt'],
    ['Look', /^Smooth/, 'look'],
    ['Fork', /^Tender/, 'dice'],
  ] as const) {
    await page.getByRole('button', { name: pad, exact: true }).click();
    await page.getByRole('dialog').getByRole('button', { name: answer }).click();
    wanted.push(kind);
  }
  await page.getByRole('button', { name: 'Take back' }).click();
  wanted.push('withdrawn');
  await expect(page.getByText('10 waiting to be saved')).toBeVisible();
  await expect(page.getByText('Server away')).toBeVisible();
  expect(await eventsOf(id)).toEqual([]);
  await context.setOffline(false);
  await expect(page.getByText(/waiting to be saved/)).toBeHidden({ timeout: 40_000 });
  expect(await kindsOf(id)).toEqual(wanted);
  const events = await eventsOf(id);
  expect(events.slice(0, 4).map((e) => e.body.step)).toEqual([0, 1, 2, 3]);
  expect(events[4]?.body).toMatchObject({ seconds: 480 });
  expect(events.slice(5, 9).map((e) => e.body.fork ?? e.body.taste ?? e.body.looks)).toEqual([
    'nearly',
    'flat',
    'smooth',
    'tender',
  ]);
  await expect(page.getByText('Server away')).toBeHidden();
});

const second = (port: number) =>
  serve({
    mode: 'start',
    port,
    databaseUrl: here.databaseUrl,
    env: { DEVICES_URL: here.devicesUrl, PANACHE_CLOCK: 'own' },
  });

test('the server is killed in the middle: the page reloads without it, and nothing tapped is lost', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  let app = await second(3470);
  const context = await browser.newContext({ baseURL: app.address });
  try {
    const page = await context.newPage();
    watch(page);
    const id = await begin(page, VELOUTE);
    await done(page);
    await page.keyboard.press('t');
    await page
      .getByRole('group', { name: 'Minutes' })
      .getByRole('button', { name: '30', exact: true })
      .click();
    await expect.poll(() => kindsOf(id)).toEqual(['step-done', 'timer-started']);
    // Its scripts and this page are kept once the worker has them.
    await expect
      .poll(() => page.evaluate(async () => (await (await caches.open('panache-parts-1')).keys()).length))
      .toBeGreaterThan(5);
    await page.waitForTimeout(1500);
    await app.kill();
    await done(page);
    await done(page);
    await expect(page.getByText('2 waiting to be saved')).toBeVisible();
    await page.reload();
    await expect(heading(page)).toHaveText('Bring to the simmer', { timeout: 40_000 });
    await expect(page.getByText('2 waiting to be saved')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Stop the timer/ })).toBeVisible();
    app = await second(3470);
    await expect(page.getByText(/waiting to be saved/)).toBeHidden({ timeout: 40_000 });
    const events = await eventsOf(id);
    expect(events.map((e) => e.body.kind)).toEqual(['step-done', 'timer-started', 'step-done', 'step-done']);
    expect(events.filter((e) => e.body.kind === 'step-done').map((e) => e.body.step)).toEqual([0, 1, 2]);
  } finally {
    await context.close();
    await app.stop();
  }
});

test('two stations on two servers see the same batch; the same step marked by both is kept twice', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const other = await second(3480);
  let away: BrowserContext | null = null;
  try {
    const id = await begin(page, VELOUTE);
    away = await browser.newContext({ baseURL: other.address });
    await away.addInitScript(() => localStorage.setItem('panache.role', 'Closer'));
    const late = await away.newPage();
    watch(late);
    await open(late, `/stove/${id}`);
    await expect(heading(late)).toHaveText(await heading(page).innerText());

    await done(page);
    await expect(heading(late)).toHaveText('Cook a blond roux');
    await late.getByRole('button', { name: 'Look' }).click();
    await late.getByRole('button', { name: /^Lumps/ }).click();
    await expect.poll(() => kindsOf(id)).toEqual(['step-done', 'look']);

    // One is cut off and marks the step the other marks too.
    await away.setOffline(true);
    await done(late);
    await done(page);
    await away.setOffline(false);
    await expect.poll(() => kindsOf(id)).toEqual(['step-done', 'look', 'step-done', 'step-done']);
    await expect(late.getByText(/waiting to be saved/)).toBeHidden();
    await expect(heading(page)).toHaveText(/^Whisk in/);
    await expect(heading(late)).toHaveText(/^Whisk in/);
    for (const p of [page, late]) {
      await p.getByRole('button', { name: 'All steps' }).click();
      await expect(p.getByRole('list', { name: 'Steps' }).getByText(/done at .* by Stove/)).toHaveCount(2);
      await p.keyboard.press('Escape');
    }
  } finally {
    await away?.close();
    await other.stop();
  }
});

test('timers are named, ring past zero on every view, and a knuckle stops them', async ({ page }) => {
  await page.clock.install();
  const id = await begin(page, VELOUTE);
  await page.getByRole('button', { name: 'Timer', exact: true }).click();
  await page.getByLabel('For', { exact: true }).fill('stock');
  await page.getByRole('group', { name: 'Minutes' }).getByRole('button', { name: '2', exact: true }).click();
  await page.getByRole('button', { name: 'Timer', exact: true }).click();
  await page.getByLabel('For', { exact: true }).fill('croutons');
  await page.getByLabel(/another time/).fill('soon');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByText('“soon” cannot be: minutes are from 0.1 to 1440.')).toBeVisible();
  await page.getByLabel(/another time/).fill('0.5');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Stop the timer stock' })).toContainText(/01:5\d|02:00/);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Stop the timer croutons' })).toBeVisible();
  await page.clock.fastForward(40_000);
  await open(page, '/recipes');
  const ringing = page.getByRole('list', { name: 'Timers that ring' });
  await expect(ringing).toContainText('croutons');
  await expect(ringing).toContainText(/\+00:/);
  await clean(page, 'ringing');
  await ringing.getByRole('button').click();
  await expect(ringing).toBeHidden();
  await expect.poll(() => kindsOf(id)).toEqual(['timer-started', 'timer-started', 'timer-stopped']);
});

test('what cannot be is said and never stored: 900 °C, over the rim, −3 s', async ({ page, request }) => {
  const id = await begin(page, VELOUTE);
  await page.getByRole('button', { name: 'Temperature' }).click();
  const temperature = page.getByLabel('Temperature, °C');
  await temperature.fill('900');
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  await expect(
    page.getByText('“900 °C” cannot be: temperature is a number from −30 to 200 °C.'),
  ).toBeVisible();
  await expect(temperature).toHaveValue('900');
  await expect(temperature).toBeFocused();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Level' }).click();
  await page.getByLabel('Depth, cm').fill('45');
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  await expect(page.getByText(/“45 cm” cannot be: depth is a number from 0 to 20 cm/)).toBeVisible();
  await page.keyboard.press('Escape');
  await open(page, `/check?batch=${id}`);
  await page.getByLabel('Flow time, s').fill('-3');
  await page.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByText(/−3.0 s cannot be: flow time/)).toBeVisible();
  expect(await eventsOf(id)).toEqual([]);

  const send = (body: unknown) =>
    request.post(`/api/batches/${id}/events`, {
      data: { id: crypto.randomUUID(), at: new Date().toISOString(), station: 'Opener', body },
    });
  for (const [body, status, field] of [
    [{ kind: 'temperature', celsius: 900 }, 400, 'body.celsius'],
    [{ kind: 'depth', mm: 240 }, 422, 'body.mm'],
    [{ kind: 'volume', ml: 90_000 }, 422, 'body.ml'],
    [
      { kind: 'flow', test: { kind: 'cup', orifice: 4 }, readings: [-3], celsius: 65 },
      400,
      'body.readings.0',
    ],
    [{ kind: 'put-in', ingredient: 'gravel', g: 5 }, 400, 'body.ingredient'],
    [{ kind: 'step-done', step: 40 }, 422, 'body.step'],
    [{ kind: 'timer-stopped', timer: crypto.randomUUID() }, 422, 'body.timer'],
  ] as const) {
    const answer = await send(body);
    expect(answer.status()).toBe(status);
    expect(((await answer.json()) as { problems: { field: string }[] }).problems[0]?.field).toBe(field);
  }
  expect(await eventsOf(id)).toEqual([]);
});

test('a probe that sends rubbish, floods, or is lost is shown as such, and the page goes on', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const id = await begin(page, VELOUTE);
  await pair(page, ['Probe 1']);
  const now = page.getByRole('region', { name: 'Now', exact: true });
  await expect(now).toContainText('Probe 1, seen');
  await simulate.fault('probe-1', 'rubbish');
  await expect(now).toContainText(/sends what cannot be/);
  await simulate.fault('probe-1', 'flood');
  await expect(now).toContainText(/seen \d s ago|floods/);
  // Under the flood the page still answers.
  await page.getByRole('button', { name: 'Look' }).click();
  await page.getByRole('button', { name: /^Smooth/ }).click();
  await expect.poll(() => kindsOf(id), { timeout: 60_000 }).toEqual(['paired', 'look']);
  await simulate.fault('probe-1', 'lost');
  await expect(now).toContainText('Probe 1, lost');
  // A reading it no longer gives is not written down with the step.
  await done(page);
  await expect.poll(() => kindsOf(id)).toEqual(['paired', 'look', 'step-done']);
  await simulate.fault('probe-1', 'none');
  await expect(now).toContainText('Probe 1, seen');
});

test('steps are left out with a reason, added, done out of turn and taken back', async ({ page }) => {
  const id = await begin(page, VELOUTE);
  await page.getByRole('button', { name: 'All steps' }).click();
  const steps = page.getByRole('dialog', { name: 'All steps' });
  await steps.getByRole('button', { name: /^Leave out: Sweat/ }).click();
  await steps.getByRole('button', { name: 'Leave it out' }).click();
  await expect(steps.getByText('Write why it is left out')).toBeVisible();
  await steps.getByRole('button', { name: 'done before' }).click();
  await expect(steps.getByText('left out: done before')).toBeVisible();
  await steps.getByRole('button', { name: /Add a step/ }).click();
  await steps.getByLabel('What is to be done').fill('Warm the bowls');
  await steps.getByLabel(/^Minutes/).fill('3');
  await steps.getByRole('button', { name: 'Add it' }).click();
  await steps.getByRole('button', { name: /^Mark done: Bring to the simmer/ }).click();
  await clean(page, 'all steps');
  await page.keyboard.press('Escape');
  await expect(heading(page)).toHaveText('Warm the bowls');
  await done(page);
  await expect(heading(page)).toHaveText('Cook a blond roux');
  await page.keyboard.press('u');
  await expect(heading(page)).toHaveText('Warm the bowls');
  await expect
    .poll(() => kindsOf(id))
    .toEqual(['step-skipped', 'step-added', 'step-done', 'step-done', 'withdrawn']);
});

test('more flour on the scale than planned, and the end moves; something put in too', async ({ page }) => {
  const id = await begin(page, VELOUTE);
  const pass = page.getByRole('region', { name: 'At the pass, by the model' });
  await expect(pass).toContainText('Coating');
  await done(page);
  const before = Number((await pass.innerText()).match(/(\d+) \(/)?.[1]);
  await page.getByRole('button', { name: /^Weighed: plain flour/ }).click();
  await page.getByLabel('Weight, g').fill('330');
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  // Far from what is planned: asked once more before it counts.
  await expect(page.getByRole('dialog', { name: 'Is that right?' })).toContainText(
    '330 g of plain flour where 187 g are planned',
  );
  expect(await kindsOf(id)).toEqual(['step-done']);
  await page.getByRole('button', { name: 'Yes, that is right' }).click();
  await expect(page.getByText(/let it down with/)).toBeVisible();
  const after = Number((await pass.innerText()).match(/(\d+) \(/)?.[1]);
  expect(after).toBeGreaterThan(before * 1.3);
  await done(page);
  await page.getByRole('button', { name: 'Put in' }).click();
  await page.getByRole('combobox', { name: 'What went in' }).fill('water');
  await page.getByRole('option', { name: 'Water', exact: true }).click();
  await page.getByLabel('How much, g').fill('800');
  await page.getByRole('button', { name: 'It is in the pot' }).click();
  await expect(page.getByText('800 g of water in 1.2 L of soup: really?')).toBeVisible();
  await page.getByRole('button', { name: 'Yes, that is right' }).click();
  await expect.poll(async () => Number((await pass.innerText()).match(/(\d+)/)?.[1])).toBeLessThan(after);
  await expect.poll(() => kindsOf(id)).toEqual(['step-done', 'weighed', 'step-done', 'put-in']);
});

test('Check by the space bar and by hand; a funnel calibrated; a sheet to print', async ({
  page,
  request,
}) => {
  await open(page, '/check?batch=none');
  await page.getByRole('button', { name: /^Flow cup, 4 mm/ }).click();
  await page.getByLabel('Soup in the test, °C').fill('65');
  await page.keyboard.press('Tab');
  await page
    .locator('h1, body')
    .first()
    .click({ position: { x: 2, y: 2 }, force: true });
  for (const seconds of ['41', '44', '60']) {
    await page.getByLabel('Flow time, s').fill(seconds);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('median 44.0')).toBeVisible();
  await expect(page.getByText('In the bowl, 65 °C')).toBeVisible();
  await page.getByRole('button', { name: 'Strike 60 s' }).click();
  await expect(page.getByText('median 42.5')).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('Space');
  await expect(page.getByText('Stop', { exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  // A second is no flow time of a standard cup: refused, with what it may be.
  await expect(page.getByText(/s cannot be: flow time in this test is 30 to 100 s/)).toBeVisible();
  await page.getByRole('button', { name: /^Syringe/ }).click();
  await page.getByLabel('Left in the syringe, mL').fill('6.5');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Level 2')).toBeVisible();
  await expect(page.getByText(/a clinician decides/)).toBeVisible();

  await page.getByRole('link', { name: 'Calibrate' }).click();
  await page.getByLabel('Name').fill('Quay funnel');
  await page.getByLabel('It ran, s').first().fill('3.2');
  await page.getByLabel('It ran, s').nth(1).fill('3.0');
  await page.getByRole('button', { name: 'Keep this calibration' }).click();
  await expect(page.getByText(/thick liquid’s time is 3; it must be from 3.36/)).toBeVisible();
  await page.getByLabel('It ran, s').nth(1).fill('9.9');
  await page.getByRole('button', { name: 'Keep this calibration' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Kept.' })).toContainText(
    '0.151 s for every mm²/s',
  );
  await page.getByRole('link', { name: 'To Check', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Quay funnel/ })).toBeVisible();

  for (const paper of ['A4', 'LETTER']) {
    const pdf = await request.get(`/api/line-spread?paper=${paper}`);
    expect(pdf.headers()['content-type']).toBe('application/pdf');
    const text = (await pdf.body()).toString('latin1');
    expect(text.startsWith('%PDF')).toBe(true);
    expect(text).toContain(paper === 'A4' ? '[0 0 595.28 841.89]' : '[0 0 612 792]');
  }
  expect((await request.get('/api/line-spread?paper=A0')).status()).toBe(400);
});
