import { android } from './android/android'
import { androidApp } from './android-app/android-app'
import { apple } from './apple/apple'
import { appleSymbols } from './apple-symbols/apple-symbols'
import { appleApp } from './apple-app/apple-app'
import { compose } from './compose/compose'
import { data } from './data/data'
import { element } from './element/element'
import { favicon } from './favicon/favicon'
import { font } from './font/font'
import { functions } from './functions/functions'
import { linux } from './linux/linux'
import { linuxApp } from './linux-app/linux-app'
import { png } from './png/png'
import { react } from './react/react'
import { showcase } from './showcase/showcase'
import { solid } from './solid/solid'
import { svelte } from './svelte/svelte'
import { svg } from './svg/svg'
import type { Target } from './target'
import { vue } from './vue/vue'
import { web } from './web/web'
import { windows } from './windows/windows'

/** Everything a set can be delivered as, in the order in which it is offered. */
export const TARGETS: readonly Target[] = [
  svg,
  png,
  web,
  showcase,
  favicon,
  apple,
  appleSymbols,
  appleApp,
  android,
  compose,
  androidApp,
  windows,
  linux,
  linuxApp,
  react,
  vue,
  svelte,
  solid,
  element,
  functions,
  font,
  data,
]
