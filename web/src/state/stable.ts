import { useCallback, useEffect, useRef } from "react";

/** The same function for good, that always runs the newest one: for rows that must not be drawn again with every day. */
export function useStable<A extends readonly unknown[]>(newest: (...args: A) => void): (...args: A) => void {
  const latest = useRef(newest);
  useEffect(() => {
    latest.current = newest;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
