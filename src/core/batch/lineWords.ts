import { ingredient } from '../food/catalogue';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { portionsIn } from '../pot/contents/portions';
import type { Portion } from '../pot/step';
import type { BatchEvent, EventBody, StepKey } from './events';
import type { BatchState } from './state';

/** What lines speak of: the steps they name, and what else stands in the record. */
type LineContext = Pick<BatchState, 'steps'> & { readonly events: readonly BatchEvent[] };

const stepOf = ({ steps }: LineContext, key: StepKey): string =>
  steps.find((s) => s.key === key)?.title ?? String(typeof key === 'number' ? key + 1 : '');

function itemOf({ steps }: LineContext, key: number, item: number): string {
  const does = steps.find((s) => s.key === key)?.does;
  const portion = does && portionsIn<Portion>(does)[item];
  return portion ? ingredient(portion.ingredient).name : '';
}

/** What a line of a batch says, in a few words. */
export function lineWords(body: EventBody, of: LineContext): Message {
  switch (body.kind) {
    case 'step-done':
      return message('Done: {step}', { step: stepOf(of, body.step) });
    case 'step-begun':
      return message('Goes by itself: {step}', { step: stepOf(of, body.step) });
    case 'step-skipped':
      return message('Left out: {step}, {reason}', { step: stepOf(of, body.step), reason: body.reason });
    case 'step-added':
      return message('Added: {step}', { step: body.title });
    case 'part-done':
      return message('Part {n} of {step}', { n: body.part + 1, step: stepOf(of, body.step) });
    case 'weighed':
      return message('Weighed {g} of {name}', {
        g: { g: body.g },
        name: { within: term(itemOf(of, body.step, body.item)) },
      });
    case 'put-in':
      return message('Put in {g} of {name}', {
        g: { g: body.g },
        name: { within: term(ingredient(body.ingredient).name) },
      });
    case 'colour':
      return message('Colour: {colour}', { colour: term(body.colour) });
    case 'temperature':
      return message('Read {celsius}', { celsius: { celsius: body.celsius, exact: true } });
    case 'pan-temperature':
      return message('Read {celsius} in “{pan}”', {
        celsius: { celsius: body.celsius, exact: true },
        pan: body.pan,
      });
    case 'depth':
      return message('Level {cm} cm', { cm: (body.mm / 10).toFixed(1) });
    case 'volume':
      return message('Level {ml}', { ml: { ml: body.ml } });
    case 'mass':
      return message('On the scale {g}', { g: { g: body.g } });
    case 'flow':
      return message('Flow test: {test}, {readings}', {
        test: term(body.test.kind),
        readings: body.readings.join(', '),
      });
    case 'syringe':
      return message('Syringe: {ml} left', { ml: { millilitres: body.mlLeft } });
    case 'salt':
      return message('Tasted for salt: {taste}', { taste: term(body.taste) });
    case 'dice':
      return message('Fork: {fork}', { fork: term(body.fork) });
    case 'look':
      return message('Looks: {looks}', { looks: term(body.looks) });
    case 'timer-started':
      return message('Timer started: {name}', { name: body.name });
    case 'timer-stopped':
      return message('Timer stopped');
    case 'paired':
      return body.device
        ? message('{name} paired', { name: body.name ?? body.device })
        : message('Device taken off');
    case 'corrected':
      return message('Correction: {title}', { title: body.title });
    case 'note':
      return message('{text}', { text: body.text });
    case 'finished':
      return message('Finished: {where}', { where: term(body.goesTo) });
    case 'cleared':
      return message('Cleared');
    case 'withdrawn': {
      const named = of.events.find((e) => e.id === body.event)?.body;
      const what = named ? lineWords(named, of) : message('a line');
      return body.why
        ? message('Taken back: {what}. {why}', { what: { within: what }, why: body.why })
        : message('Taken back: {what}', { what: { within: what } });
    }
  }
}

/** The one figure of a line that can be put right, and what it is of; null where a line has none. */
type LineFigure = {
  readonly key: 'celsius' | 'g' | 'ml' | 'mm';
  readonly value: number;
  readonly body: (value: number) => EventBody;
};

/** A reading put right is one by hand: what a device showed is not what is typed. */
export function figureOf(body: EventBody): LineFigure | null {
  switch (body.kind) {
    case 'temperature':
      return { key: 'celsius', value: body.celsius, body: (celsius) => ({ kind: body.kind, celsius }) };
    case 'depth':
      return { key: 'mm', value: body.mm, body: (mm) => ({ kind: body.kind, mm }) };
    case 'volume':
      return { key: 'ml', value: body.ml, body: (ml) => ({ kind: body.kind, ml }) };
    case 'mass':
      return { key: 'g', value: body.g, body: (g) => ({ kind: body.kind, g }) };
    case 'weighed':
      return {
        key: 'g',
        value: body.g,
        body: (g) => ({ kind: body.kind, step: body.step, item: body.item, g }),
      };
    case 'put-in':
      return { key: 'g', value: body.g, body: (g) => ({ ...body, g }) };
    default:
      return null;
  }
}
