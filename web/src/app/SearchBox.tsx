/** The field plants are found in: a plain one until it is reached for, then, in its place, the one with suggestions. */
import { useLayoutEffect, useState, type ComponentType, type RefObject } from "react";
import type { SearchProps } from "./Search.tsx";

/** The fetched field, and whether the plain one had the focus when it came. */
interface Fetched {
  readonly Search: ComponentType<SearchProps>;
  readonly focus: boolean;
}

export function SearchBox({ inputRef }: { readonly inputRef: RefObject<HTMLInputElement | null> }) {
  const [fetched, setFetched] = useState<Fetched | null>(null);
  const [typed, setTyped] = useState("");
  const fetch = async (): Promise<void> => {
    const [{ default: Search }, { themed }] = await Promise.all([import("./Search.tsx"), import("../ui/themed.tsx")]);
    setFetched({ Search: themed(Search), focus: document.activeElement === inputRef.current });
  };
  if (fetched)
    return (
      <>
        <fetched.Search inputRef={inputRef} start={typed} />
        {fetched.focus && <Focus field={inputRef} />}
      </>
    );
  return (
    <input
      ref={inputRef}
      role="combobox"
      aria-expanded={false}
      className="find"
      placeholder="Find a plant"
      aria-label="Find a plant"
      value={typed}
      onFocus={() => void fetch().catch(() => undefined)}
      onChange={(e) => setTyped(e.target.value)}
    />
  );
}

/** The field that took the other's place takes its focus too. */
function Focus({ field }: { readonly field: RefObject<HTMLInputElement | null> }) {
  // Before the next key can fall between the two.
  useLayoutEffect(() => field.current?.focus(), [field]);
  return null;
}
