import {
  BookOpen,
  CalendarClock,
  ChefHat,
  CookingPot,
  Droplets,
  type LucideIcon,
  NotebookText,
  Refrigerator,
  Ruler,
  Scale,
  Wrench,
} from 'lucide-react';
import { type Message, message } from '../../core/message/message';

export type View = {
  readonly href: string;
  readonly name: Message;
  readonly key: string;
  readonly icon: LucideIcon;
  /** In the bar by the order of the day, below its line, or a face of the batch at hand. */
  readonly place: 'day' | 'below' | 'face';
};

/** The views there are, in the order of the work; `key` goes there after `g`. */
export const VIEWS: readonly View[] = [
  { href: '/service', name: message('Service'), key: 'v', icon: CalendarClock, place: 'day' },
  { href: '/plan', name: message('Plan'), key: 'p', icon: Ruler, place: 'day' },
  { href: '/compare', name: message('Compare'), key: 'c', icon: Scale, place: 'day' },
  { href: '/stove', name: message('Stove'), key: 's', icon: CookingPot, place: 'day' },
  { href: '/keep', name: message('Keep'), key: 'h', icon: Refrigerator, place: 'day' },
  { href: '/log', name: message('Log'), key: 'l', icon: NotebookText, place: 'day' },
  { href: '/check', name: message('Check'), key: 'x', icon: Droplets, place: 'face' },
  { href: '/fix', name: message('Fix'), key: 'f', icon: Wrench, place: 'face' },
  { href: '/recipes', name: message('Recipes'), key: 'r', icon: BookOpen, place: 'below' },
  { href: '/kitchen', name: message('Kitchen'), key: 'k', icon: ChefHat, place: 'below' },
];

/** On a phone these are behind the last place of the bar. */
export const BEHIND: ReadonlySet<string> = new Set(['/compare', '/log', '/recipes', '/kitchen']);

/** The place in the bar a path belongs to: a face of a batch is the stove. */
export const placeOf = (path: string): string | undefined => {
  const view = VIEWS.find((v) => path.startsWith(v.href));
  return view?.place === 'face' ? '/stove' : view?.href;
};
