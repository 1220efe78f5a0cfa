import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ['better-sqlite3', 'piscina'],
  // The type check and the linter run on their own, in bin/test.
  typescript: { ignoreBuildErrors: true },
}

export default config
