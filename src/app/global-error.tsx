'use client';

import { Away } from '../ui/frame/Away';
import './globals.css';

/** When not even the frame could be made. */
export default function AllFailed() {
  return (
    <html lang="en">
      <body>
        <Away onAgain={() => location.reload()} />
      </body>
    </html>
  );
}
