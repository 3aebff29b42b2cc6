'use client';

import { Away } from '../ui/frame/Away';
import { fonts } from './fonts';
import './globals.css';

/** When not even the frame could be made. */
export default function AllFailed() {
  return (
    <html lang="en" className={fonts}>
      <body>
        <Away onAgain={() => location.reload()} />
      </body>
    </html>
  );
}
