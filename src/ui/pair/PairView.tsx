'use client';

import { Delete } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { CODE_DIGITS } from '../../contract/digits';
import { ask, problemWords } from '../device/line/api';
import { beginIn } from '../device/line/heads';
import { Field } from '../shared/form/Field';
import { Form } from '../shared/form/Form';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../shared/styles';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;

/** Pages a station kept for when the server is away: not for whoever has no key any more. */
async function forgetPages(): Promise<void> {
  if (typeof caches === 'undefined') return;
  for (const name of await caches.keys()) if (name.includes('pages')) await caches.delete(name);
}

type Props = {
  readonly code: string;
  /** The kitchen the code is of, by its id, where the address says it. */
  readonly kitchen: string;
  readonly to: string;
};

/** A code as it is typed, and pairing by it; whoever is in already goes on at once. */
function usePairing({ code: given, kitchen: named, to }: Props) {
  const say = useSay();
  const [code, setCode] = useState(given);
  const [kitchen, setKitchen] = useState(named);
  const [several, setSeveral] = useState(named !== '');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const sent = useRef('');
  useEffect(() => {
    void forgetPages();
    // A link from outside opens without the key there may be: asked again from here, it is sent along.
    void ask('GET /api/stations/me', {}).then((me) => {
      if (me.ok && me.body.kind !== 'stranger') location.replace(to);
      else if (me.ok) setSeveral((was) => was || me.body.several);
    });
  }, [to]);
  const change = (next: string) => {
    setProblem(null);
    setCode(next.replaceAll(/\D/g, '').slice(0, CODE_DIGITS));
  };
  const pair = async (typed: string) => {
    sent.current = typed;
    setBusy(true);
    const answer = await ask('POST /api/stations/pair', {
      body: { code: typed, ...(kitchen !== '' && { kitchen }) },
    });
    if (answer.ok) {
      beginIn(answer.body.kitchen);
      return location.replace(to);
    }
    setBusy(false);
    setProblem(say(problemWords(answer.problems)));
    setCode('');
  };
  return { code, change, kitchen, setKitchen, several, problem, busy, pair };
}

/** Six digits, as the lead reads them out: on large keys, or typed, or out of the address a code was scanned from. */
export function PairView(props: Props) {
  const say = useSay();
  const { code, change, kitchen, setKitchen, several, problem, busy, pair } = usePairing(props);
  return (
    <div className="mx-auto grid max-w-120 gap-4 px-5 py-6">
      <h1 className="font-bold text-[32px] leading-tight">{say('Pair this screen')}</h1>
      <p className="text-[19px] leading-snug">
        {say('The lead opens Kitchen › Stations on a screen that is in, and reads out six digits.')}
      </p>
      <Form className="grid gap-3" onSubmit={() => code.length === CODE_DIGITS && void pair(code)}>
        {several && (
          <Field
            id="kitchen"
            label={say('The kitchen')}
            value={kitchen}
            maxLength={60}
            autoCapitalize="none"
            placeholder={say('as it stands beside the code')}
            onChange={(e) => setKitchen(e.target.value.trim().toLowerCase())}
          />
        )}
        <label htmlFor="code" className="font-bold">
          {say('The code')}
        </label>
        <input
          id="code"
          inputMode="numeric"
          autoComplete="one-time-code"
          value={code}
          aria-invalid={problem !== null}
          onChange={(e) => change(e.target.value)}
          className="figures h-20 w-full rounded-sm border-2 border-ink bg-surface px-4 text-center text-[48px] tracking-[0.25em] aria-invalid:border-tomato"
        />
        {problem && (
          <p role="alert" className="font-bold text-tomato first-letter:uppercase">
            {problem}
          </p>
        )}
        <Keypad
          onKey={(key) => change(code + key)}
          onBack={() => change(code.slice(0, -1))}
          busy={busy}
          ready={code.length === CODE_DIGITS}
        />
      </Form>
      <p className="text-quiet">
        {say('No lead’s screen yet? The first code stands on the terminal the kitchen was started from.')}
      </p>
    </div>
  );
}

/** Digits as large as a knuckle, one to take back, and what sends them. */
function Keypad({
  onKey,
  onBack,
  busy,
  ready,
}: {
  readonly onKey: (key: string) => void;
  readonly onBack: () => void;
  readonly busy: boolean;
  readonly ready: boolean;
}) {
  const say = useSay();
  const digit = (k: string) => (
    <button key={k} type="button" onClick={() => onKey(k)} className={`${BUTTON} figures text-[27px]`}>
      {k}
    </button>
  );
  return (
    <div className="grid grid-cols-3 gap-2">
      {KEYS.map(digit)}
      <button type="button" aria-label={say('Take the last digit away')} onClick={onBack} className={BUTTON}>
        <Delete aria-hidden />
      </button>
      {digit('0')}
      <button type="submit" disabled={busy || !ready} className={PRIMARY}>
        {busy ? say('Pairing …') : say('Pair')}
      </button>
    </div>
  );
}
