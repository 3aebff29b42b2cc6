'use client';

import { Away } from '../ui/shared/Away';

export default function PageFailed() {
  return <Away onAgain={() => location.reload()} />;
}
