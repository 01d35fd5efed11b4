interface HasItems {
  id: number;
  count: number;
  items?: HasItems[];
  centre?: HasItems[];
}

/** findNode finds an item of a line's tree by its number. */
export function findNode(nodes: HasItems[], id: number): HasItems | undefined {
  for (const node of nodes) {
    const found = node.id === id ? node : (findNode(node.items ?? [], id) ?? findNode(node.centre ?? [], id));
    if (found) return found;
  }
  return undefined;
}
