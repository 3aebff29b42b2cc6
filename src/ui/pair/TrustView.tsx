'use client';

import { Download } from 'lucide-react';
import { type Message, message } from '../../core/message/message';
import { Qr } from '../shared/draw/Qr';
import { useSay } from '../shared/hooks/useSay';
import { PRIMARY } from '../shared/styles';

/** What is done on each kind of device, once: common practice of their makers, from memory. */
const STEPS: readonly { readonly on: Message; readonly steps: readonly Message[] }[] = [
  {
    on: message('iPad or iPhone'),
    steps: [
      message('Tap the button above in Safari, and allow the profile.'),
      message('Settings › General › VPN & Device Management: install it.'),
      message('Settings › General › About › Certificate Trust Settings: switch it on.'),
    ],
  },
  {
    on: message('Android tablet or phone'),
    steps: [
      message('Tap the button above, and keep the file.'),
      message(
        'Settings › Security › More security settings › Install from storage › CA certificate: pick it, and install anyway.',
      ),
    ],
  },
  {
    on: message('Windows'),
    steps: [
      message('Open the file, Install certificate, for this machine.'),
      message('Put it into Trusted Root Certification Authorities.'),
    ],
  },
  {
    on: message('Mac'),
    steps: [
      message('Open the file: Keychain Access has it.'),
      message('Open it there, Trust, When using this certificate: Always trust.'),
    ],
  },
  {
    on: message('Debian and other Linux'),
    steps: [
      message(
        'In Chromium: Settings › Privacy and security › Security › Manage certificates › Authorities › Import.',
      ),
      message('In Firefox: Settings › Privacy & Security › View Certificates › Authorities › Import.'),
    ],
  },
];

/** The kitchen’s own authority to be taken along, what to compare first, the steps by device, and the way on. */
export function TrustView({ fingerprint, host }: { readonly fingerprint: string; readonly host: string }) {
  const say = useSay();
  const here = `http://${host}/trust`;
  return (
    <div className="mx-auto grid max-w-200 gap-5 px-5 py-6">
      <h1 className="font-bold text-[32px] leading-tight">{say('Trust this kitchen')}</h1>
      <p className="text-[19px] leading-snug">
        {say(
          'This kitchen’s machine signs for itself. A device that has its root opens it by https: nobody on the network can listen, and pages are kept for when the server is away. The root can speak for this network’s machines and for nobody else.',
        )}
      </p>
      <section aria-label={say('First compare')} className="rounded-sm border-2 border-ink bg-surface p-4">
        <h2 className="font-bold text-[21px]">{say('First compare')}</h2>
        <p>
          {say(
            'Its fingerprint has to be the one on the terminal the kitchen was started from. Where it is not, somebody stands between: stop here.',
          )}
        </p>
        <p className="figures mt-2 text-[17px] [overflow-wrap:anywhere]">{fingerprint}</p>
      </section>
      <div className="flex flex-wrap items-center gap-6">
        <a href="/api/trust/root" download className={PRIMARY}>
          <Download size={22} aria-hidden /> {say('The root, for this device')}
        </a>
        <Qr text={here} label={say('This page, for another device')} />
      </div>
      <ul className="grid gap-4 min-[720px]:grid-cols-2">
        {STEPS.map(({ on, steps }) => (
          <li key={say(on)}>
            <h2 className="font-bold text-[21px]">{say(on)}</h2>
            <ol className="list-decimal pl-6">
              {steps.map((s) => (
                <li key={say(s)} className="text-[17px]">
                  {say(s)}
                </li>
              ))}
            </ol>
          </li>
        ))}
      </ul>
      <a href={`https://${host}/`} className="flex min-h-12 items-center font-bold text-[21px] underline">
        {say('Then open the kitchen')}
      </a>
    </div>
  );
}
