import type { NextConfig } from 'next';

const config: NextConfig = {
  // Types are checked by tsc, in the test command and in the editor.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  // Reads its own font metrics from disk.
  serverExternalPackages: ['pdfkit'],
  experimental: { optimizePackageImports: ['radix-ui'] },
  devIndicators: false,
  turbopack: { root: import.meta.dirname },
};

export default config;
