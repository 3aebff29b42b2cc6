'use client';

import type { EventBody } from '../../../core/batch/events';
import type { KeepBody } from '../../../core/keep/events';
import { type Message, message } from '../../../core/message/message';

/** What a tap is called when it is taken back: short, without what it was done to; null of what is no deed of its own. */
const WORDS: Readonly<Record<EventBody['kind'] | KeepBody['kind'], Message | null>> = {
  'step-done': message('step done'),
  'step-begun': message('step begun'),
  'step-skipped': message('step left out'),
  'step-added': message('step added'),
  'part-done': message('a part ticked'),
  weighed: message('a weight'),
  'put-in': message('something put in'),
  colour: message('a colour'),
  temperature: message('a temperature'),
  'pan-temperature': message('a temperature'),
  depth: message('a level'),
  volume: message('a volume'),
  mass: message('a weight'),
  flow: message('a flow test'),
  syringe: message('a syringe test'),
  salt: message('a taste'),
  dice: message('a fork test'),
  look: message('a look'),
  'timer-started': message('a timer'),
  'timer-stopped': message('a timer stopped'),
  corrected: message('a correction'),
  note: message('a note'),
  finished: message('finishing'),
  'put by': message('storing'),
  'set to cool': message('a way of cooling'),
  'kept hot': message('keeping it hot'),
  cooled: message('putting away'),
  moved: message('moving'),
  parted: message('parting'),
  taken: message('taking some'),
  'let down': message('letting down'),
  reheating: message('reheating'),
  reheated: message('reheated'),
  'put right': message('what was done'),
  'thrown away': message('throwing away'),
  'used up': message('using up'),
  labelled: message('labels'),
  'probe checked': message('a probe check'),
  'probe put right': message('a probe put right'),
  signed: message('a signature'),
  paired: null,
  cleared: null,
  withdrawn: null,
  'topped up': null,
};

/** What a tap is called; null of a taking back, a pairing and the like. */
export const tapWords = (body: EventBody | KeepBody): Message | null => WORDS[body.kind];
