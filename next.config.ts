import type { NextConfig } from 'next'
import { GUARDS } from './guards.mjs'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Also where no request reaches the proxy: addresses that cannot be read.
  headers: async () => [{ source: '/:path*', headers: [...GUARDS] }],
  serverExternalPackages: ['better-sqlite3', 'piscina'],
  // The type check and the linter run on their own, in bin/test.
  typescript: { ignoreBuildErrors: true },
}

export default config
