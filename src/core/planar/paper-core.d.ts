declare module 'paper/dist/paper-core.js' {
  import paper from 'paper'
  export default paper
}
