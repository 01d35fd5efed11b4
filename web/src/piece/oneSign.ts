const KEY = "mala.keys-of-one-sign";

/** oneSignActs says whether keys of one sign act anywhere on the page. A person who speaks their text or whose hand slips may want them off. */
export const oneSignActs = () => localStorage.getItem(KEY) !== "off";

export function setOneSignActs(acts: boolean) {
  if (acts) localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, "off");
}
