import { BookOpen, ChefHat, CookingPot, Droplets, type LucideIcon, Ruler, Scale, Wrench } from 'lucide-react';

export type View = {
  readonly href: string;
  readonly name: string;
  readonly key: string;
  readonly icon: LucideIcon;
};

/** The views there are, in the order of the work; `key` goes there after `g`. */
export const VIEWS: readonly View[] = [
  { href: '/plan', name: 'Plan', key: 'p', icon: Ruler },
  { href: '/compare', name: 'Compare', key: 'c', icon: Scale },
  { href: '/stove', name: 'Stove', key: 's', icon: CookingPot },
  { href: '/check', name: 'Check', key: 'x', icon: Droplets },
  { href: '/fix', name: 'Fix', key: 'f', icon: Wrench },
  { href: '/recipes', name: 'Recipes', key: 'r', icon: BookOpen },
  { href: '/kitchen', name: 'Kitchen', key: 'k', icon: ChefHat },
];
