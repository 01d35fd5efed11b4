const known = new WeakMap<object, number>();
let last = 0;

/**
 * identity gives an object a number of its own, for the key of a query: writing a
 * whole document into the key takes longer than drawing it.
 */
export function identity(object: object | null | undefined): number {
  if (!object) return 0;
  let id = known.get(object);
  if (!id) known.set(object, (id = ++last));
  return id;
}
