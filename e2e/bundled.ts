import { readFileSync } from 'node:fs'
import { basename, join, sep } from 'node:path'
import { transformAsync } from '@babel/core'
import solidPreset from 'babel-preset-solid'
import { build, type Plugin, transform } from 'esbuild'
import { compile } from 'svelte/compiler'
import { compileScript, parse } from 'vue/compiler-sfc'

/** Components of Svelte as its own compiler makes them; any warning is a fault. */
const svelteFiles: Plugin = {
  name: 'svelte',
  setup({ onLoad }) {
    onLoad({ filter: /\.svelte$/ }, ({ path }) => {
      const { js, warnings } = compile(readFileSync(path, 'utf8'), { filename: basename(path), generate: 'client' })
      if (warnings.length > 0) throw new Error(warnings.map(({ message }) => message).join('\n'))
      return { contents: js.code, loader: 'ts' }
    })
  },
}

/** Single files of Vue, their template within their setup, as its own compiler makes them. */
const vueFiles: Plugin = {
  name: 'vue',
  setup({ onLoad }) {
    onLoad({ filter: /\.vue$/ }, ({ path }) => {
      const { descriptor, errors } = parse(readFileSync(path, 'utf8'), { filename: basename(path) })
      if (errors.length > 0) throw new Error(errors.map(({ message }) => message).join('\n'))
      return { contents: compileScript(descriptor, { id: 'app', inlineTemplate: true }).content, loader: 'ts' }
    })
  },
}

/** The JSX of Solid, which is compiled by its own preset. */
const solidFiles: Plugin = {
  name: 'solid',
  setup({ onLoad }) {
    onLoad({ filter: /\.tsx$/ }, async ({ path }) => {
      if (!path.includes(`${sep}solid${sep}`) && !path.includes('solid-')) return undefined
      const plain = await transform(readFileSync(path, 'utf8'), { loader: 'tsx', jsx: 'preserve' })
      const made = await transformAsync(plain.code, { presets: [solidPreset], babelrc: false, configFile: false })
      return { contents: made!.code!, loader: 'js' }
    })
  },
}

/** A program with what it imports, as a page loads it. */
export async function bundled(file: string): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: [file],
    bundle: true,
    write: false,
    format: 'esm',
    jsx: 'automatic',
    minify: true,
    conditions: ['browser', 'svelte'],
    plugins: [svelteFiles, vueFiles, solidFiles],
    define: {
      'process.env.NODE_ENV': '"production"',
      __VUE_OPTIONS_API__: 'true',
      __VUE_PROD_DEVTOOLS__: 'false',
      __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: 'false',
    },
    nodePaths: [join(process.cwd(), 'node_modules')],
  })
  return outputFiles[0]!.text
}
