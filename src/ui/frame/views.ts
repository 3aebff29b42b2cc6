import { BookOpen, ChefHat, CookingPot, Droplets, type LucideIcon, Ruler, Scale, Wrench } from 'lucide-react';
import { type Message, message } from '../../core/message/message';

export type View = {
  readonly href: string;
  readonly name: Message;
  readonly key: string;
  readonly icon: LucideIcon;
};

/** The views there are, in the order of the work; `key` goes there after `g`. */
export const VIEWS: readonly View[] = [
  { href: '/plan', name: message('Plan'), key: 'p', icon: Ruler },
  { href: '/compare', name: message('Compare'), key: 'c', icon: Scale },
  { href: '/stove', name: message('Stove'), key: 's', icon: CookingPot },
  { href: '/check', name: message('Check'), key: 'x', icon: Droplets },
  { href: '/fix', name: message('Fix'), key: 'f', icon: Wrench },
  { href: '/recipes', name: message('Recipes'), key: 'r', icon: BookOpen },
  { href: '/kitchen', name: message('Kitchen'), key: 'k', icon: ChefHat },
];
