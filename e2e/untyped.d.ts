declare module 'babel-preset-solid' {
  import type { PluginItem } from '@babel/core'
  const preset: PluginItem
  export default preset
}
