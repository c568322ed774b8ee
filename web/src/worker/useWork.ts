/** A piece of work for a screen: how it stands, its answer, a way to stop it and one to begin again. */
import { useEffect, useRef, useState } from "react";
import type { WorkName, Works } from "./port.ts";
import { workPort } from "./workPort.ts";

export type WorkState<N extends WorkName> =
  | { readonly is: "working"; readonly done: number }
  | { readonly is: "stopped" }
  | { readonly is: "failed" }
  | { readonly is: "done"; readonly shown: Works[N]["shown"] };

export interface Working<N extends WorkName> {
  readonly state: WorkState<N>;
  /** The answer to what was asked before, while the new one is worked on. */
  readonly before: Works[N]["shown"] | null;
  readonly stop: () => void;
  readonly again: () => void;
}

/**
 * @param asked plain data; work begins anew when `key` changes
 * @param key what tells one question from another, in a few letters
 */
export function useWork<N extends WorkName>(name: N, asked: Works[N]["asked"], key: string): Working<N> {
  const [turn, setTurn] = useState(0);
  const piece = `${turn} ${key}`;
  /** Of another piece than the one that is asked now, it is nothing yet. */
  const [told, setTold] = useState<{ readonly piece: string; readonly state: WorkState<N> } | null>(null);
  const [before, setBefore] = useState<Works[N]["shown"] | null>(null);
  const stopper = useRef<AbortController | null>(null);
  const latest = useRef(asked);
  useEffect(() => {
    latest.current = asked;
  });
  useEffect(() => {
    const stop = new AbortController();
    stopper.current = stop;
    const tell = (state: WorkState<N>): void => {
      if (!stop.signal.aborted) setTold({ piece, state });
    };
    const work = async (): Promise<void> => {
      const port = await workPort();
      const answer = await port.work(name, latest.current, (done) => tell({ is: "working", done }), stop.signal);
      if (answer.ok && !stop.signal.aborted) setBefore(answer.value);
      tell(
        answer.ok
          ? { is: "done", shown: answer.value }
          : { is: answer.issues[0]?.code === "stopped" ? "stopped" : "failed" },
      );
    };
    void work();
    return () => stop.abort();
  }, [name, piece]);
  return {
    state: told?.piece === piece ? told.state : { is: "working", done: 0 },
    before,
    stop: () => {
      stopper.current?.abort();
      setTold({ piece, state: { is: "stopped" } });
    },
    again: () => setTurn((n) => n + 1),
  };
}
