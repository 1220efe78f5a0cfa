import type { NextConfig } from 'next'
import { GUARDS } from './guards.mjs'
import { MAX_BYTES } from './src/core/formats/max-bytes'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // The proxy hands on what the largest set file takes, and a little more, so that what is too large is told so.
  experimental: { proxyClientMaxBodySize: MAX_BYTES + 2 ** 20 },
  devIndicators: false,
  // Also where no request reaches the proxy: addresses that cannot be read.
  headers: async () => [{ source: '/:path*', headers: [...GUARDS] }],
  serverExternalPackages: ['libsql', 'piscina'],
  // The type check and the linter run on their own, in bin/test.
  typescript: { ignoreBuildErrors: true },
}

export default config
