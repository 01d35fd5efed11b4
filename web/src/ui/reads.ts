const underWay = new Set<Promise<boolean>>();

/** reading keeps count of a length that is being read; it comes to whether it could be. */
export function reading(read: Promise<boolean>) {
  underWay.add(read);
  void read.finally(() => underWay.delete(read));
}

/** allRead waits until every length that has been typed is read, and says whether all could be. */
export async function allRead(): Promise<boolean> {
  return (await Promise.all(underWay)).every((read) => read);
}
