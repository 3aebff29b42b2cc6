import type { KitchenFile } from '../../../core/house/kitchenFile';
import { type AsTyped, idFor, numberOrText, text } from './formNumbers';

type Keeping = KitchenFile['keeping'];

/** How soup is kept, as typed. */
export type KeepingForm = {
  rules: string;
  hot: string;
  cold: string;
  coolingPercent: string;
  reheat: string;
  days: string;
  probeEvery: string;
  wands: string;
  pans: { id: string; name: string; lengthMm: string; widthMm: string; depthMm: string; count: string }[];
  places: { id: string; name: string; kind: string; celsius: string }[];
};

export const keepingForm = (k: Keeping): KeepingForm => ({
  rules: k.rules,
  hot: text(k.tightened.hot),
  cold: text(k.tightened.cold),
  coolingPercent: text(k.tightened.cooling, 0.01),
  reheat: text(k.tightened.reheat),
  days: text(k.tightened.days),
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
  places: k.places.map((p) => ({ id: p.id, name: p.name, kind: p.kind, celsius: text(p.celsius) })),
});

const tight = (typed: string, per = 1) => (typed.trim() === '' ? undefined : numberOrText(typed, per));

/** The part of the file the form says; what cannot be read stays as typed. */
export function keepingOf(f: KeepingForm): AsTyped<Keeping> {
  const pans = new Set(f.pans.map((p) => p.id).filter(Boolean));
  const places = new Set(f.places.map((p) => p.id).filter(Boolean));
  const [hot, cold, cooling, reheat, days] = [
    tight(f.hot),
    tight(f.cold),
    tight(f.coolingPercent, 0.01),
    tight(f.reheat),
    tight(f.days),
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
      celsius: numberOrText(p.celsius),
    })),
  };
}
