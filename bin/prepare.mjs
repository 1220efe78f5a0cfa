// Steps before the product can run, each only when its inputs have changed: install and build. Progress goes to standard
// error, because the command line answers on standard output.
import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))
const stamps = join(root, 'build')

/** Starts a stopwatch; calling the result gives the elapsed time in seconds, as text. */
export function stopwatch() {
  const began = performance.now()
  return () => `${((performance.now() - began) / 1000).toFixed(1)} s`
}

/** Runs a program of the project and ends with it when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
    ...options,
  })
  if (error) throw error
  return status ?? 1
}

/** How long a connection stays open, in milliseconds: one that is closed while a page saves would have to be asked again. */
const KEPT_ALIVE = 60_000

/** What the server of the product is started with, on this machine only. */
export const serverArguments = (port) => [
  'start',
  ...['--hostname', '127.0.0.1', '--port', String(port), '--keepAliveTimeout', String(KEPT_ALIVE)],
]

/**
 * What a server is started with, that keeps its sets in a folder. With few arenas, the memory of threads that ended is
 * used by those that come after them.
 */
export const serverEnvironment = ({ data, empty = false, fresh = false, 'without-copy': withoutCopy = false }) => ({
  ...process.env,
  NEXT_TELEMETRY_DISABLED: '1',
  MALLOC_ARENA_MAX: '2',
  WISE_SQUARE_DATA: resolve(data),
  WISE_SQUARE_EMPTY: empty ? '1' : '0',
  WISE_SQUARE_FRESH: fresh ? '1' : '0',
  WISE_SQUARE_WITHOUT_COPY: withoutCopy ? '1' : '0',
  WISE_SQUARE_PARENT: String(process.pid),
})

export const tool = (name) => join(root, 'node_modules', '.bin', name)

/** Every file below the given files and folders, in a fixed order. */
function* filesBelow(path) {
  const full = join(root, path)
  if (!existsSync(full)) return
  if (!statSync(full).isDirectory()) yield path
  else for (const name of readdirSync(full).sort()) yield* filesBelow(join(path, name))
}

const contents = new Map()

/** The hash of a file's name and content, computed once in a process: steps share most of their inputs. */
function hashOf(file) {
  if (!contents.has(file)) {
    const hash = createHash('sha256').update(file).update('\0')
    contents.set(file, hash.update(readFileSync(join(root, file))).digest('hex'))
  }
  return contents.get(file)
}

function fingerprint(paths) {
  const hash = createHash('sha256').update(process.version)
  for (const path of paths) for (const file of filesBelow(path)) hash.update(hashOf(file))
  return hash.digest('hex')
}

/** Runs a step unless its inputs are unchanged since the last run. */
function whenChanged(name, inputs, present, step) {
  const stamp = join(stamps, `${name}.stamp`)
  const now = fingerprint(inputs)
  if (present() && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return
  if (step() !== 0) process.exit(1)
  mkdirSync(stamps, { recursive: true })
  writeFileSync(stamp, now)
}

/** Installs the packages of the product; with `tests` those of the tests too. */
export function install({ tests = false } = {}) {
  const stamp = (all) => join(stamps, `install${all ? '-tests' : ''}.stamp`)
  // Who has everything has what the product needs.
  const all = tests || existsSync(stamp(true))
  whenChanged(
    `install${all ? '-tests' : ''}`,
    ['package-lock.json'],
    () => existsSync(join(root, 'node_modules', '.package-lock.json')),
    () => {
      console.error('Installing packages (about half a minute the first time)…')
      const took = stopwatch()
      const status = run(
        'npm',
        ['ci', '--no-audit', '--no-fund', all ? '--include=dev' : '--omit=dev', '--loglevel=error'],
        { stdio: ['ignore', 'ignore', 'inherit'] },
      )
      console.error(`Installed in ${took()}.`)
      return status
    },
  )
}

/** Builds the command line: one bundle for each command, without native packages. */
export function buildCommandLine() {
  const inputs = ['src/cli', 'src/core', 'src/server', 'package-lock.json', 'bin/prepare.mjs']
  whenChanged(
    'cli',
    inputs,
    () => existsSync(join(stamps, 'cli', 'main.js')),
    () => {
      rmSync(join(stamps, 'cli'), { recursive: true, force: true })
      return run(tool('esbuild'), [
        'src/cli/main.ts',
        '--bundle',
        '--splitting',
        '--minify',
        '--platform=node',
        '--format=esm',
        '--external:libsql',
        '--external:pdfkit',
        '--external:@shockpkg/icon-encoder',
        '--external:wawoff2',
        '--external:@resvg/resvg-wasm',
        '--external:piscina',
        '--outdir=build/cli',
        '--log-level=warning',
      ])
    },
  )
}

/** What the server's threads run, all in one file. */
export function buildRenderer() {
  const inputs = ['src/core', 'src/server', 'package-lock.json', 'bin/prepare.mjs']
  whenChanged(
    'renderer',
    inputs,
    () => existsSync(join(stamps, 'renderer', 'thread.js')),
    () =>
      run(tool('esbuild'), [
        'src/server/renderer/thread.ts',
        '--bundle',
        '--minify-syntax',
        '--minify-whitespace',
        '--platform=node',
        '--format=esm',
        '--external:@resvg/resvg-wasm',
        '--external:pdfkit',
        '--external:@shockpkg/icon-encoder',
        '--external:wawoff2',
        '--outdir=build/renderer',
        '--log-level=warning',
      ]),
  )
}

/** The program that copies and restores databases, once it is built. */
export const databaseCommand = join(stamps, 'database', 'command.js')

/** What copies and restores a database, in a process of its own. */
export function buildDatabaseCommand() {
  const inputs = ['src/core', 'src/server', 'package-lock.json', 'bin/prepare.mjs']
  whenChanged(
    'database',
    inputs,
    () => existsSync(databaseCommand),
    () =>
      run(tool('esbuild'), [
        'src/server/database/command.ts',
        '--bundle',
        '--platform=node',
        '--format=esm',
        '--external:libsql',
        '--outdir=build/database',
        '--log-level=warning',
      ]),
  )
}

export function build() {
  const inputs = [
    'app',
    'src',
    'next.config.ts',
    'postcss.config.mjs',
    'tsconfig.json',
    'instrumentation.ts',
    'proxy.ts',
    'package-lock.json',
    'bin/prepare.mjs',
  ]
  whenChanged(
    'app',
    inputs,
    () => existsSync(join(root, '.next', 'BUILD_ID')),
    () => {
      console.error('Building (under a minute)…')
      const took = stopwatch()
      const status = run(tool('next'), ['build'], { stdio: ['ignore', 'ignore', 'inherit'] })
      console.error(`Built in ${took()}.`)
      return status
    },
  )
  buildRenderer()
  buildDatabaseCommand()
  buildCommandLine()
}

/** Debian's programs that read deliveries back in the tests; missing ones are installed. */
const READERS = {
  icotool: 'icoutils',
  icns2png: 'icnsutils',
  pdftocairo: 'poppler-utils',
  xmllint: 'libxml2-utils',
  aapt2: 'aapt',
  'rsvg-convert': 'librsvg2-bin',
  'gtk-update-icon-cache': 'gtk-update-icon-cache',
  'desktop-file-validate': 'desktop-file-utils',
  appstreamcli: 'appstream',
  kotlinc: 'kotlin',
  java: 'default-jre-headless',
}
const PYTHON = ['python3-fonttools', 'python3-brotli']

export function readers() {
  const missing = Object.entries(READERS).flatMap(([program, name]) =>
    existsSync(join('/usr/bin', program)) ? [] : [name],
  )
  const fonts = existsSync('/usr/lib/python3/dist-packages/fontTools') ? [] : PYTHON
  if (missing.length + fonts.length > 0) debian([...missing, ...fonts])
}

/** Installs Debian's packages. */
function debian(packages) {
  console.error(`Installing ${packages.join(', ')}…`)
  execFileSync('apt-get', ['update'], { stdio: 'ignore' })
  execFileSync('apt-get', ['install', '-y', '--no-install-recommends', ...packages], {
    stdio: 'ignore',
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
}

/** Debian's Chromium without windows for the end-to-end tests, installed where it is missing. */
export function chromium() {
  if (!existsSync('/usr/bin/chromium-headless-shell')) debian(['chromium-headless-shell'])
}
