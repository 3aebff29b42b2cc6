import localFont from 'next/font/local';

/** Asked for before anything is drawn, with a stand-in of the same measures: letters that come later move nothing. */
const words = localFont({
  src: [
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff2',
      weight: '400',
    },
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff2',
      weight: '700',
    },
  ],
  display: 'swap',
  variable: '--font-next',
  fallback: ['system-ui', 'sans-serif'],
});
const figures = localFont({
  src: [
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff2',
      weight: '400',
    },
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-700-normal.woff2',
      weight: '700',
    },
  ],
  display: 'swap',
  variable: '--font-mono-figures',
  fallback: ['ui-monospace', 'monospace'],
  adjustFontFallback: false,
});

/** Classes that say which letters are meant. */
export const fonts = `${words.variable} ${figures.variable}`;
