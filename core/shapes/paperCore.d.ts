// The package types its geometry under a path without an ending, which Node does not resolve.
declare module 'paper/dist/paper-core.js' {
  import geometry from 'paper/dist/paper-core';
  export default geometry;
}
