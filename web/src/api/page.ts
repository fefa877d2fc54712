/** This page by a name of its own, so that it is not told of what it wrote itself. */
export const PAGE = Array.from(crypto.getRandomValues(new Uint32Array(4)), (n) =>
  n.toString(36)
).join('-');
