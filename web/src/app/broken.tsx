/** What is shown where something broke: the rest of the page stands, and the garden can be kept as a file. */
import { Component, useEffect, type ReactNode } from "react";
import { Outlet, useLocation } from "react-router";

const messageOf = (e: unknown): string => (e instanceof Error ? e.message : "unknown trouble");

const keepAsFile = async (): Promise<void> => {
  const [{ db, tab }, { loadStored }, { exportFound }] = await Promise.all([
    import("../state/keeper.ts"),
    import("../data/changes.ts"),
    import("../data/fileOut.ts"),
  ]);
  const found = await loadStored(db, tab);
  if (found.is !== "nothing") await exportFound(db, found);
};

interface StandsProps {
  readonly children: ReactNode;
  /** Where one is: elsewhere it is looked at afresh. */
  readonly where?: string;
  /** What to show instead, and a way to try again. */
  readonly broken: (error: unknown, again: () => void) => ReactNode;
}
/** What breaks inside breaks alone. */
class Stands extends Component<StandsProps, { readonly error: { readonly thrown: unknown } | null }> {
  override state: { readonly error: { readonly thrown: unknown } | null } = { error: null };
  static getDerivedStateFromError(thrown: unknown) {
    return { error: { thrown } };
  }
  override componentDidUpdate(before: StandsProps): void {
    if (this.state.error !== null && before.where !== this.props.where) this.setState({ error: null });
  }
  override render(): ReactNode {
    const { error } = this.state;
    return error === null ? this.props.children : this.props.broken(error.thrown, () => this.setState({ error: null }));
  }
}

interface BrokenProps {
  readonly title: string;
  readonly kept: string;
  readonly error: unknown;
  readonly again: readonly [label: string, press: () => void];
}
function Broken({ title, kept, error, again: [label, press] }: BrokenProps) {
  return (
    <div role="alert" className="broken">
      <h1 className="title-1">{title}</h1>
      <p>
        {kept} What went wrong: {messageOf(error)}.
      </p>
      <div className="presses">
        <button type="button" className="press press-main" onClick={press}>
          {label}
        </button>
        <button type="button" className="press" onClick={() => void keepAsFile()}>
          Keep the garden as a file
        </button>
      </div>
    </div>
  );
}

/** The screen of an address. One that broke leaves the shell standing, and the next address is looked at afresh. */
export function ScreenStands() {
  const { pathname } = useLocation();
  return (
    <Stands
      where={pathname}
      broken={(error, again) => (
        <Broken
          title="This screen broke"
          kept="Your garden is kept, and the other screens work on."
          error={error}
          again={["Try again", again]}
        />
      )}
    >
      <Outlet />
    </Stands>
  );
}

function BrokenPage({ error }: { readonly error: unknown }) {
  useEffect(() => {
    document.title = "Something broke · Wren Song";
  }, []);
  return (
    <main className="shell">
      <Broken
        title="Something broke"
        kept="Your garden is kept in this browser."
        error={error}
        again={["Reload the page", () => window.location.reload()]}
      />
    </main>
  );
}

/** The whole page: even where it broke the garden comes out as a file. */
export const PageStands = ({ children }: { readonly children: ReactNode }) => (
  <Stands broken={(error) => <BrokenPage error={error} />}>{children}</Stands>
);

interface PartProps {
  readonly name: string;
  readonly children: ReactNode;
}
/** A part of the shell that breaks alone. */
export const Part = ({ name, children }: PartProps) => (
  <Stands
    broken={(error, again) => (
      <p role="alert">
        {name} broke: {messageOf(error)}.{" "}
        <button type="button" className="press press-small" onClick={again}>
          Try again
        </button>
      </p>
    )}
  >
    {children}
  </Stands>
);
