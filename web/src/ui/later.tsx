/** Screens that are fetched when they are opened. One that cannot be fetched says so where it would stand, and is tried again. */
import { lazy, useEffect, useState, type ComponentType, type LazyExoticComponent, type ReactNode } from "react";

interface FailedProps {
  readonly onAgain: () => void;
}
function Failed({ onAgain }: FailedProps) {
  useEffect(() => {
    window.addEventListener("online", onAgain);
    return () => window.removeEventListener("online", onAgain);
  }, [onAgain]);
  return (
    <div role="alert" className="broken">
      <h1 className="title-1">This could not be fetched</h1>
      <p>
        There seems to be no connection, or the program was renewed meanwhile. Everything you wrote down is kept. It is
        tried again as soon as there is a connection.
      </p>
      <div className="presses">
        <button type="button" className="press press-main" onClick={onAgain}>
          Try again
        </button>
        <button type="button" className="press" onClick={() => window.location.reload()}>
          Reload the page
        </button>
      </div>
    </div>
  );
}

/** What was fetched stands in the theme, which comes with it. */
async function inTheme<P extends object>(fetch: () => Promise<ComponentType<P>>): Promise<ComponentType<P>> {
  const [part, { themed }] = await Promise.all([fetch(), import("./themed.tsx")]);
  return themed(part);
}

/** A part that is waited for by a Suspense around it. */
export const laterPart = <P extends object>(
  fetch: () => Promise<{ readonly default: ComponentType<P> }>,
): LazyExoticComponent<ComponentType<P>> =>
  lazy(async () => ({ default: await inTheme(async () => (await fetch()).default) }));

/**
 * @param fetch gives the screen, or a part of one; asked again after it failed
 * @param meanwhile what stands there until it came
 */
export function later<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
  meanwhile: ReactNode = <p role="status">Fetching this screen…</p>,
): ComponentType<P> {
  let ready: ComponentType<P> | null = null;
  return function Later(props: P) {
    const [state, setState] = useState<"waiting" | "failed" | "ready">(ready ? "ready" : "waiting");
    useEffect(() => {
      if (state !== "waiting") return;
      let live = true;
      inTheme(fetch).then(
        (screen) => {
          ready = screen;
          if (live) setState("ready");
        },
        () => live && setState("failed"),
      );
      return () => {
        live = false;
      };
    }, [state]);
    if (state === "failed") return <Failed onAgain={() => setState("waiting")} />;
    const Screen = ready;
    return Screen ? <Screen {...props} /> : meanwhile;
  };
}
