import { join } from 'node:path';

export const PAPERS = ['A4', 'LETTER'] as const;
export type Paper = (typeof PAPERS)[number];

const font = (family: string, weight: number): string =>
  join(process.cwd(), 'node_modules/@fontsource', family, 'files', `${family}-latin-${weight}-normal.woff`);
export const TEXT = font('atkinson-hyperlegible-next', 400);
export const BOLD = font('atkinson-hyperlegible-next', 700);
export const FIGURES = font('atkinson-hyperlegible-mono', 700);

export const INK = '#10312b';
export const QUIET = '#3f5a6b';
