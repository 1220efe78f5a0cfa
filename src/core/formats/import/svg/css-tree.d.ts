// The parts of css-tree that need none of its tables of properties; its types describe the whole only.
declare module 'css-tree/parser' {
  import { parse } from 'css-tree'
  export default parse
}
declare module 'css-tree/generator' {
  import { generate } from 'css-tree'
  export default generate
}
declare module 'css-tree/walker' {
  import { walk } from 'css-tree'
  export default walk
}
