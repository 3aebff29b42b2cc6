import type { KitchenFile } from '../../../core/kitchen/kitchenFile';
import type { UnitHere } from '../../../core/units/shown/here';
import { type AsTyped, idFor, numberIn, numberOrText, text, textIn } from './formNumbers';

type Keeping = KitchenFile['keeping'];

/** How soup is kept, as typed. */
export type KeepingForm = {
  rules: string;
  hot: string;
  cold: string;
  coolingPercent: string;
  reheat: string;
  days: string;
  dayEnds: string;
  probeEvery: string;
  wands: string;
  pans: { id: string; name: string; lengthMm: string; widthMm: string; depthMm: string; count: string }[];
  places: { id: string; name: string; kind: string; celsius: string }[];
};

export const keepingForm = (k: Keeping, degrees: UnitHere): KeepingForm => ({
  rules: k.rules,
  hot: textIn(k.tightened.hot, degrees),
  cold: textIn(k.tightened.cold, degrees),
  coolingPercent: text(k.tightened.cooling, 0.01),
  reheat: textIn(k.tightened.reheat, degrees),
  days: text(k.tightened.days),
  dayEnds: text(k.dayEnds),
  probeEvery: text(k.probeEvery),
  wands: text(k.wands),
  pans: k.pans.map((p) => ({
    id: p.id,
    name: p.name,
    lengthMm: text(p.lengthMm),
    widthMm: text(p.widthMm),
    depthMm: text(p.depthMm),
    count: text(p.count),
  })),
  places: k.places.map((p) => ({
    id: p.id,
    name: p.name,
    kind: p.kind,
    celsius: textIn(p.celsius, degrees),
  })),
});

const asked = (typed: string, read: (typed: string) => number | string) =>
  typed.trim() === '' ? undefined : read(typed);

/** The part of the file the form says; what cannot be read stays as typed. */
export function keepingOf(f: KeepingForm, degrees: UnitHere): AsTyped<Keeping> {
  const pans = new Set(f.pans.map((p) => p.id).filter(Boolean));
  const places = new Set(f.places.map((p) => p.id).filter(Boolean));
  const [hot, cold, cooling, reheat, days] = [
    asked(f.hot, (t) => numberIn(t, degrees)),
    asked(f.cold, (t) => numberIn(t, degrees)),
    asked(f.coolingPercent, (t) => numberOrText(t, 0.01)),
    asked(f.reheat, (t) => numberIn(t, degrees)),
    asked(f.days, (t) => numberOrText(t)),
  ];
  return {
    rules: f.rules as Keeping['rules'],
    tightened: {
      ...(hot !== undefined && { hot }),
      ...(cold !== undefined && { cold }),
      ...(cooling !== undefined && { cooling }),
      ...(reheat !== undefined && { reheat }),
      ...(days !== undefined && { days }),
    },
    dayEnds: numberOrText(f.dayEnds),
    probeEvery: numberOrText(f.probeEvery),
    wands: numberOrText(f.wands || '0'),
    pans: f.pans.map((p) => ({
      id: p.id || idFor(p.name, pans, 'pan'),
      name: p.name.trim(),
      lengthMm: numberOrText(p.lengthMm),
      widthMm: numberOrText(p.widthMm),
      depthMm: numberOrText(p.depthMm),
      count: numberOrText(p.count),
    })),
    places: f.places.map((p) => ({
      id: p.id || idFor(p.name, places, 'place'),
      name: p.name.trim(),
      kind: p.kind as Keeping['places'][number]['kind'],
      celsius: numberIn(p.celsius, degrees),
    })),
  };
}
