import { debianPackage } from './packages.mjs';

/** Debian’s Chromium without a window of its own: a page is read and drawn as in the whole one, for three quarters of the work. */
const PROGRAM = '/usr/bin/chromium-headless-shell';

/** Installs it where it is missing. */
export const installChromium = () => debianPackage('chromium-headless-shell', [PROGRAM]);

/** How Debian's Chromium is started, headless and offline, by tests, benchmarks and screenshots alike. */
export const chromiumOptions = {
  executablePath: PROGRAM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
