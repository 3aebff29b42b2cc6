'use client';

import { Away } from '../ui/frame/Away';

export default function PageFailed() {
  return <Away onAgain={() => location.reload()} />;
}
