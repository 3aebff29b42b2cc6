import fc from 'fast-check';
import { demoBatch, demoIds } from '../../../demo/batch';
import { advance } from './advance';
import { volumeMl } from './contents/contents';
import type { StepKind } from './kinds/names';
import { observe } from './observe';

const PLANS = demoIds().map(
  (id) => demoBatch(id, { litres: 6, pot: 'middle-28', burner: 'front-right' }).plan,
);

/** What cools in pans is taken to be even again when looked at, so only the ice bath comes to the same. */
const RUNS = PLANS.flatMap((p) =>
  // What is poured is known of two pans together, not of one.
  p.solved.run.ran.filter((r) => r.step.kind !== 'pour'),
);

test('the soups between them go through most kinds of step', () => {
  const kinds = new Set(RUNS.map((r) => r.step.kind));
  const expected: StepKind[] = [
    'sweat',
    'render',
    'roux',
    'dust',
    'add',
    'bring-to',
    'simmer',
    'reduce',
    'puree',
  ];
  for (const kind of [...expected, 'strain', 'thicken', 'temper', 'poach', 'season', 'rest'])
    expect(kinds).toContain(kind);
});

test('looked at part way and gone on from there, a step comes to the same pot', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: RUNS.length - 1 }),
      fc.double({ min: 0.02, max: 0.98, noNaN: true }),
      (n, share) => {
        const r = RUNS[n];
        const { kitchen } = PLANS[0]?.setup ?? {};
        if (!r || !kitchen) throw new Error('there are plans');
        const until = r.before.seconds + share * (r.pot.seconds - r.before.seconds);
        const part = advance(r.before, r.step, kitchen, until);
        // A blending or a ladle is not cut in two.
        expect(part.pot.seconds).toBeLessThanOrEqual(Math.max(until, r.before.seconds) + 1e-6);
        const rest = part.left ? advance(part.pot, part.left, kitchen) : { pot: part.pot, wait: part.wait };
        const end = observe(rest.pot, kitchen);
        const whole = observe(r.pot, kitchen);
        // What goes in by ladles or additions is all in when it is looked at, a minute or two early.
        expect(Math.abs(rest.pot.seconds + rest.wait - r.pot.seconds)).toBeLessThan(120);
        expect(end.celsius).toBeCloseTo(whole.celsius, 0);
        expect(volumeMl(rest.pot) / volumeMl(r.pot)).toBeCloseTo(1, 1.7);
        // Half swollen, a hundredth more of the way is a twentieth of the thickness: there the way is what is compared.
        const swells = r.pot.thickeners.some((t) => t.swollen > 0.02 && t.swollen < 0.98);
        if (!swells) expect(end.bowlViscosity / whole.bowlViscosity).toBeCloseTo(1, 1);
        for (const [k, t] of r.pot.thickeners.entries())
          expect(Math.abs((rest.pot.thickeners[k]?.swollen ?? 0) - t.swollen)).toBeLessThan(0.03);
      },
    ),
    { seed: 5, numRuns: 150 },
  );
});

test('cooling in ice looked at part way comes to the same; in still air it is even again and takes longer', () => {
  const soup = PLANS[0]?.solved.run.pot;
  const kitchen = PLANS[0]?.setup.kitchen;
  if (!soup || !kitchen) throw new Error('there is a soup');
  for (const [method, most] of [
    // Its heat capacity is read where it stands, so the second half counts a little more.
    ['ice bath', 1.02],
    ['cold room', 1.25],
  ] as const) {
    const step = { kind: 'chill', method, depthMm: 60, to: 5 } as const;
    const whole = advance(soup, step, kitchen);
    const part = advance(soup, step, kitchen, soup.seconds + (whole.pot.seconds - soup.seconds) / 2);
    expect(part.pot.celsius).toBeLessThan(soup.celsius);
    expect(part.left).toEqual(step);
    const rest = advance(part.pot, step, kitchen);
    const ratio = (rest.pot.seconds - soup.seconds) / (whole.pot.seconds - soup.seconds);
    expect(ratio).toBeGreaterThan(0.99);
    expect(ratio).toBeLessThan(most);
  }
});
