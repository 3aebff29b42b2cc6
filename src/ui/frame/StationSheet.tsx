'use client';

import { CircleHelp, Keyboard, Moon, Sun, Volume2 } from 'lucide-react';
import { usePathname } from 'next/navigation';
import { useRole } from '../device/useRole';
import { useSpoken } from '../device/useSpoken';
import { Pick } from '../shared/form/Field';
import { useSay } from '../shared/hooks/useSay';
import { useTheme } from '../shared/hooks/useTheme';
import { Link } from '../shared/Link';
import { Sheet } from '../shared/Sheet';
import { BUTTON } from '../shared/styles';
import { BEHIND, VIEWS } from './views';

type Props = {
  readonly roles: readonly string[];
  readonly onKeys: () => void;
  readonly onClose: () => void;
};

/** What belongs to this screen and to nobody else's: who uses it, how bright it is, its keys and its language. */
export function StationSheet({ roles, onKeys, onClose }: Props) {
  const say = useSay();
  const [theme, toggleTheme] = useTheme();
  const path = usePathname();
  const [role, setRole] = useRole();
  const [spoken, speak] = useSpoken();
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('This screen')}>
      <div className="grid gap-4 p-4">
        {VIEWS.filter((v) => BEHIND.has(v.href)).map(({ href, name, icon: Icon }) => (
          <Link key={href} href={href} onClick={onClose} className={`${BUTTON} min-[720px]:hidden`}>
            <Icon size={24} aria-hidden /> {say(name)}
          </Link>
        ))}
        <Link href={`/help#${path.split('/')[1] ?? ''}`} onClick={onClose} className={BUTTON}>
          <CircleHelp size={24} aria-hidden /> {say('What is this?')}
        </Link>
        <Pick
          id="station-role"
          label={say('Who uses this screen')}
          value={roles.includes(role) ? role : ''}
          onChange={(e) => setRole(e.target.value)}
        >
          <option value="">{say('nobody in particular')}</option>
          {roles.map((r) => (
            <option key={r} value={r}>
              {r}
            </option>
          ))}
        </Pick>
        <button type="button" onClick={toggleTheme} className={BUTTON}>
          {theme === 'dim' ? <Sun size={24} aria-hidden /> : <Moon size={24} aria-hidden />}
          {theme === 'dim' ? say('Light, for the day') : say('Dim, for late service')}
        </button>
        <button
          type="button"
          onClick={() => {
            onClose();
            onKeys();
          }}
          className={BUTTON}
        >
          <Keyboard size={24} aria-hidden /> {say('Keys')}
        </button>
        {spoken !== null && (
          <button type="button" aria-pressed={spoken} onClick={() => speak(!spoken)} className={BUTTON}>
            <Volume2 size={24} aria-hidden />
            {spoken ? say('Steps and timers are read aloud: stop that') : say('Read steps and timers aloud')}
          </button>
        )}
        <p className="text-quiet">{say('Language: English, the only one there is yet.')}</p>
      </div>
    </Sheet>
  );
}
