import type { NextConfig } from 'next'
import { GUARDS } from './guards.mjs'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // A set of thousands of icons is larger than what the proxy hands on by itself.
  experimental: { proxyClientMaxBodySize: '256mb' },
  devIndicators: false,
  // Also where no request reaches the proxy: addresses that cannot be read.
  headers: async () => [{ source: '/:path*', headers: [...GUARDS] }],
  serverExternalPackages: ['better-sqlite3', 'piscina'],
  // The type check and the linter run on their own, in bin/test.
  typescript: { ignoreBuildErrors: true },
}

export default config
