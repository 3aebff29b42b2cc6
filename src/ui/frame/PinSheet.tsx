'use client';

import { useEffect, useRef, useState } from 'react';
import type { Access } from '../../core/record/access';
import { ask, problemWords } from '../device/line/api';
import { pinAskedBy } from '../device/pin';
import { Field } from '../shared/form/Field';
import { Form } from '../shared/form/Form';
import { useSay } from '../shared/hooks/useSay';
import { Sheet } from '../shared/Sheet';
import { PRIMARY } from '../shared/styles';

type Asked = { readonly done: (right: boolean) => void; readonly first: boolean };

/**
 * Asks for the lead’s PIN when the server wants it for what was just tapped, and lets that go on once it is right. Where none is set, a
 * lead’s own station sets it here.
 */
export function PinSheet({ access }: { readonly access: Access }) {
  const say = useSay();
  const [asked, setAsked] = useState<Asked | null>(null);
  const [pin, setPin] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  useEffect(
    () =>
      pinAskedBy(async () => {
        const me = await ask('GET /api/stations/me', {});
        const first = me.ok && !me.body.pinSet;
        setPin('');
        setProblem(null);
        return new Promise<boolean>((done) => setAsked({ done, first }));
      }),
    [],
  );
  const close = (right: boolean) => {
    asked?.done(right);
    setAsked(null);
  };
  const send = async () => {
    setBusy(true);
    const set = asked?.first ? await ask('PUT /api/stations/pin', { body: { pin } }) : null;
    const answer = set && !set.ok ? set : await ask('POST /api/stations/pin', { body: { pin } });
    setBusy(false);
    if (answer.ok) return close(true);
    setProblem(say(problemWords(answer.problems)));
    setPin('');
    field.current?.focus();
  };
  const maySet = !asked?.first || access === 'lead';
  return (
    <Sheet
      open={asked !== null}
      onOpenChange={(open) => open || close(false)}
      title={asked?.first ? say('A PIN for the lead') : say('The lead’s PIN')}
    >
      {maySet ? (
        <Form onSubmit={() => void send()}>
          <p className="text-[19px] leading-snug">
            {asked?.first
              ? say(
                  'Recipes, kitchen, rules, signatures and stations ask for it, on every station. Four to twelve digits; nothing shows them again.',
                )
              : say('This is for a lead to do. After it, this screen is a lead’s for ten minutes.')}
          </p>
          <Field
            id="pin"
            ref={field}
            label={say('PIN')}
            type="password"
            inputMode="numeric"
            autoComplete="off"
            value={pin}
            onChange={(e) => {
              setProblem(null);
              setPin(e.target.value.replaceAll(/\D/g, '').slice(0, 12));
            }}
            problem={problem ?? undefined}
            className="figures text-center text-[32px] tracking-[0.3em]"
          />
          <button
            type="submit"
            disabled={busy || pin.length < 4}
            className={`${PRIMARY} min-h-18 text-[21px]`}
          >
            {asked?.first ? say('Set it, and go on') : say('Go on')}
          </button>
        </Form>
      ) : (
        <p className="p-4 text-[19px]">
          {say('No PIN is set yet: a lead sets it on a lead’s station, or at the kitchen’s own machine.')}
        </p>
      )}
    </Sheet>
  );
}
