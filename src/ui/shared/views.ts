import { CookingPot, type LucideIcon, Ruler } from 'lucide-react';

export type View = {
  readonly href: string;
  readonly name: string;
  readonly key: string;
  readonly icon: LucideIcon;
};

/** The views there are, in the order of the work; `key` goes there after `g`. */
export const VIEWS: readonly View[] = [
  { href: '/plan', name: 'Plan', key: 'p', icon: Ruler },
  { href: '/stove', name: 'Stove', key: 's', icon: CookingPot },
];
