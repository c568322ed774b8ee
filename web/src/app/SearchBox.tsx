/** The field plants are found in: a plain one until it is reached for, then the one with suggestions. */
import { lazy, Suspense, useEffect, useState, type RefObject } from "react";

const Search = lazy(() => import("./Search.tsx"));

export function SearchBox({ inputRef }: { readonly inputRef: RefObject<HTMLInputElement | null> }) {
  const [reached, setReached] = useState(false);
  const [typed, setTyped] = useState("");
  const plain = (
    <input
      ref={inputRef}
      className="find"
      placeholder="Find a plant  ( / )"
      aria-label="Find a plant"
      value={typed}
      onFocus={() => setReached(true)}
      onChange={(e) => setTyped(e.target.value)}
    />
  );
  return reached ? (
    <Suspense fallback={plain}>
      <Search inputRef={inputRef} start={typed} />
      <Focus field={inputRef} />
    </Suspense>
  ) : (
    plain
  );
}

/** The field that took the other's place takes its focus too. */
function Focus({ field }: { readonly field: RefObject<HTMLInputElement | null> }) {
  useEffect(() => field.current?.focus(), [field]);
  return null;
}
