import { PHASE_PRODUCTION_SERVER } from 'next/constants.js';

/** @type {import('next').NextConfig} */
const config = {
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ['@libsql/client', 'libsql', 'pdfmake'],
  devIndicators: false,
  // Up a second sooner, on slow machines several: what a view needs is loaded when it is first opened.
  experimental: { preloadEntriesOnStart: false },
  // Types are a step of their own in `npm test`.
  typescript: { ignoreBuildErrors: true },
};

/** A server that only serves what is built starts without the packages that build it. */
export default async (phase) => {
  if (phase === PHASE_PRODUCTION_SERVER) return config;
  const { withSerwist } = await import('@serwist/turbopack');
  return withSerwist(config);
};
