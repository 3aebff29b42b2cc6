import { Asking } from './asking';

describe('what is asked of a worker that answers in pieces', () => {
  it('shows the first answer as it comes', () => {
    const a = new Asking<string>();
    expect(a.ask('thin', 'at 1')).toEqual({ key: 1, question: 'at 1' });
    expect(a.hear(1, false)).toEqual({ show: true, send: null });
    expect(a.hear(1, true)).toEqual({ show: true, send: null });
  });

  it('while only the clock goes on, shows nothing but a whole answer', () => {
    const a = new Asking<string>();
    a.ask('thin', 'at 1');
    a.hear(1, true);
    expect(a.ask('thin', 'at 2')).toEqual({ key: 2, question: 'at 2' });
    expect(a.hear(2, false).show).toBe(false);
    expect(a.hear(2, true).show).toBe(true);
  });

  it('finishes what is under way before the next moment is asked, and asks the newest only', () => {
    const a = new Asking<string>();
    a.ask('thin', 'at 1');
    expect(a.ask('thin', 'at 2')).toBeNull();
    expect(a.ask('thin', 'at 3')).toBeNull();
    expect(a.hear(1, false)).toEqual({ show: true, send: null });
    expect(a.hear(1, true)).toEqual({ show: true, send: { key: 2, question: 'at 3' } });
    expect(a.hear(2, true)).toEqual({ show: true, send: null });
  });

  it('asks something else at once, shows it as it comes, and nothing that was asked before', () => {
    const a = new Asking<string>();
    a.ask('thin', 'at 1');
    a.hear(1, true);
    a.ask('thin', 'at 2');
    a.ask('thin', 'at 3');
    expect(a.ask('thick', 'at 3')).toEqual({ key: 3, question: 'at 3' });
    expect(a.hear(2, true)).toEqual({ show: false, send: null });
    expect(a.hear(3, false).show).toBe(true);
    expect(a.hear(3, true)).toEqual({ show: true, send: null });
  });

  it('shows nothing that comes after it was stopped, and asked again begins anew', () => {
    const a = new Asking<string>();
    a.ask('thin', 'at 1');
    a.hear(1, true);
    a.ask('thin', 'at 2');
    a.stop();
    expect(a.hear(2, true)).toEqual({ show: false, send: null });
    a.ask('thin', 'at 3');
    expect(a.hear(3, false).show).toBe(true);
  });
});
