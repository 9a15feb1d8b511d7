import { createSerwistRoute } from '@serwist/turbopack';

/** The service worker: what the bench needs without a network is kept by it. */
export const { dynamic, dynamicParams, revalidate, generateStaticParams, GET } = createSerwistRoute({
  swSrc: 'src/workers/offline-shell.ts',
  useNativeEsbuild: true,
  esbuildOptions: { legalComments: 'none' },
});
