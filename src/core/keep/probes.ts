import { boilsAt } from '../pot/cook';
import type { Kitchen } from '../pot/kitchen';
import { DAY_MS } from '../units/moment';
import type { KeepEvent } from './events';
import { standingLines } from './lot';

/** Out by more than this, °C, a probe is not used until it is put right. Common practice, no source. */
const MOST_OUT = 1;

/** A probe’s last check is worth this long, ms. Common practice, no source: each week. */
const CHECK_EVERY = 7 * DAY_MS;

/** A probe of the kitchen by its checks. */
export type ProbeStanding = {
  readonly probe: string;
  readonly checkedAt: number | null;
  /** °C to add to what it shows; 0 where nothing is known. */
  readonly correction: number;
  /** Out by more than a degree, and nobody has put it right since. */
  readonly out: boolean;
  readonly due: boolean;
};

/** What a check found: °C it has to be put right by. */
const offBy = (e: KeepEvent): number | null =>
  e.body.kind === 'probe checked' ? e.body.expected - e.body.celsius : null;

/**
 * How a probe stands at `now` (ms) after the kitchen’s lines. The mean of the last ice and the last boiling check
 * since it was put right counts.
 */
export function probeStanding(probe: string, lines: readonly KeepEvent[], now: number): ProbeStanding {
  const own = standingLines(lines).filter(
    (e) => (e.body.kind === 'probe checked' || e.body.kind === 'probe put right') && e.body.probe === probe,
  );
  const right = own.findLastIndex((e) => e.body.kind === 'probe put right');
  const since = own.slice(right + 1);
  const last = (point: 'ice' | 'boil') =>
    since.findLast((e) => e.body.kind === 'probe checked' && e.body.point === point);
  const checks = [last('ice'), last('boil')].flatMap((e) => (e ? [e] : []));
  const off = checks.map((e) => offBy(e) ?? 0);
  const out = off.some((o) => Math.abs(o) > MOST_OUT);
  const checkedAt = checks.length > 0 ? Math.max(...checks.map((e) => Date.parse(e.at))) : null;
  const correction = off.length > 0 && !out ? off.reduce((a, b) => a + b, 0) / off.length : 0;
  return {
    probe,
    checkedAt,
    correction: Math.round(correction * 10) / 10,
    out,
    due: checkedAt === null || now - checkedAt > CHECK_EVERY,
  };
}

/** °C a probe should show in melting ice, and in water at the boil at the kitchen’s altitude. */
export const shouldShow = (point: 'ice' | 'boil', kitchen: Kitchen): number =>
  point === 'ice' ? 0 : Math.round(boilsAt(kitchen) * 10) / 10;
