/** @type {import('next').NextConfig} */
const config = {
  // Types are checked by tsc, in the test command and in the editor.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  // These read files of their own from disk, or start threads.
  serverExternalPackages: ['pdfkit', 'pino', 'pino-roll'],
  // Nothing here needs a server that fetches pictures.
  images: { unoptimized: true },
  experimental: { optimizePackageImports: ['radix-ui'] },
  devIndicators: false,
  turbopack: { root: import.meta.dirname },
};

export default config;
