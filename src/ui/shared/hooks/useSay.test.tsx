import { renderToStaticMarkup } from 'react-dom/server';
import { message } from '../../../core/message/message';
import { METRIC } from '../../../core/units/shown/show';
import { sayFor } from './useSay';

const say = sayFor(METRIC);
const bold = (text: React.ReactNode) => <b>{text}</b>;

test('parts of a message are set apart, with figures, messages and things drawn in them', () => {
  const said = say.rich('<b>{left} g</b> of {what} at {at} {drawn}', {
    b: bold,
    left: 3,
    what: message('flour'),
    at: { celsius: 80 },
    drawn: <i>x</i>,
  });
  expect(renderToStaticMarkup(said)).toBe('<b>3 g</b> of flour at 80 °C <i>x</i>');
});

test('somebody’s own words are left as they are, braces and all; nothing stays nothing', () => {
  expect(say.either('Pan {2}')).toBe('Pan {2}');
  expect(say.either(message('Pan'))).toBe('Pan');
  expect(say.maybe(undefined)).toBeUndefined();
});
