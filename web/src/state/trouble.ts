/** Why the database cannot be used; its own small store, because it may come to pass at any moment. */
export type StorageTrouble =
  /** A newer version of the application has written it. */
  | { readonly is: "newer"; readonly detail: string }
  /** A newer version has taken it over in another tab. */
  | { readonly is: "taken" }
  /** An older version holds it open in another tab. */
  | { readonly is: "blocked" }
  | { readonly is: "closed"; readonly detail: string };

let trouble: StorageTrouble | null = null;
const listeners = new Set<() => void>();
export function setTrouble(t: StorageTrouble | null): void {
  trouble = t;
  for (const l of listeners) l();
}
export const storageTrouble = {
  subscribe: (l: () => void): (() => void) => {
    listeners.add(l);
    return () => listeners.delete(l);
  },
  now: (): StorageTrouble | null => trouble,
};
