/** What stands round every screen: the garden's name, where to go, search, undo, the strip of the year. */
import { CircleHelp, Moon, NotebookPen, Redo2, Search as SearchIcon, Sun, Undo2 } from "lucide-react";
import { Suspense, useCallback, useEffect, useRef, useState } from "react";
import { createPortal } from "react-dom";
import { Outlet, useLocation, useNavigate } from "react-router";
import { today } from "../data/clock.ts";
import { YearStrip } from "../strip/YearStrip.tsx";
import { useLinkNow, useMoves } from "../state/day.tsx";
import { putOff, useExportDue } from "../state/exported.ts";
import { useFarSeen } from "../state/farSeen.ts";
import { NEEDS_LITTLE, useGarden } from "../state/garden.tsx";
import { chooseScheme, useScheme } from "../state/scheme.ts";
import { useNotices } from "../state/notices.tsx";
import { DayLink } from "../ui/DayLink.tsx";
import { Part } from "./broken.tsx";
import { renew, useRenewal } from "./renewal.ts";
import { laterPart } from "../ui/later.tsx";
import { SearchBox } from "./SearchBox.tsx";
import { commandFor } from "./shortcuts.ts";

const OwnPlaceDialog = laterPart(() => import("./OwnPlaceDialog.tsx"));
const FarSeenDialog = laterPart(() => import("../answer/FarSeenDialog.tsx"));
const WriteDown = laterPart(() => import("../writedown/WriteDown.tsx"));
const Help = laterPart(() => import("./Help.tsx"));

const PLACES = [
  ["/today", "Today"],
  ["/garden", "Garden"],
  ["/days", "Work days"],
  ["/year", "Year"],
  ["/record", "Record"],
  ["/hedges", "Hedges"],
  ["/which", "Which is it?"],
  ["/kinds", "Kinds"],
  ["/place", "Place & rules"],
] as const;

function Navigation() {
  const { pathname } = useLocation();
  const here = (path: string): boolean => pathname === path || pathname.startsWith(`${path}/`);
  return (
    <nav aria-label="Screens" className="shell-ways">
      {PLACES.map(([path, name]) => (
        <DayLink
          key={path}
          to={path}
          className={here(path) ? "active" : undefined}
          aria-current={here(path) ? "page" : undefined}
        >
          {name}
        </DayLink>
      ))}
    </nav>
  );
}

function Scheme() {
  const dark = useScheme() === "dark";
  return (
    <button
      type="button"
      className="press-icon"
      aria-label={dark ? "Light colours" : "Dark colours"}
      onClick={() => chooseScheme(dark ? "light" : "dark")}
    >
      {dark ? <Sun size={20} /> : <Moon size={20} />}
    </button>
  );
}

/** What was done, or why it could not be kept; said to readers, and gone by itself unless it is trouble. */
const GONE_MS = 7000;
/** What is longer stays for as long as it takes to be read. */
const READ_MS = 75;
function NoticeBar() {
  const { current, close } = useNotices();
  const { undo } = useGarden();
  const no = current?.no;
  const stays = current?.trouble === true;
  const shownMs = Math.max(GONE_MS, READ_MS * (current?.text.length ?? 0));
  useEffect(() => {
    if (no === undefined || stays) return;
    const timer = setTimeout(close, shownMs);
    return () => clearTimeout(timer);
  }, [no, stays, close, shownMs]);
  const box = useRef<HTMLDivElement>(null);
  // A dialog hides the rest of the page from readers: what is said of it must still be heard.
  useEffect(() => box.current?.removeAttribute("aria-hidden"), [no]);
  return createPortal(
    <div ref={box} className={stays ? "notices notices-trouble" : "notices"} aria-live={stays ? "assertive" : "polite"}>
      {current && (
        <div key={current.no} className={stays ? "notice notice-trouble" : "notice"}>
          <span>{current.text}</span>
          <button
            type="button"
            onClick={() => {
              close();
              if (current.undo) undo();
            }}
          >
            {current.undo ? "Undo" : "Close"}
          </button>
        </div>
      )}
    </div>,
    document.body,
  );
}

/** Fields in which a letter is a letter; a slider or a choice is none of them. */
const TYPED = new Set(["text", "search", "number", "date", "email", "url", "tel", "password", "time", "month"]);
const isTyping = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement &&
  (t.isContentEditable ||
    /^(TEXTAREA|SELECT)$/.test(t.tagName) ||
    (t instanceof HTMLInputElement && TYPED.has(t.type)));

/** Screens on which the day of the strip changes nothing. */
const WITHOUT_STRIP = ["/at/", "/record", "/place", "/which", "/walk", "/garden/table", "/apart"];
const hasStrip = (pathname: string): boolean =>
  !WITHOUT_STRIP.some((p) => pathname.startsWith(p)) && !pathname.endsWith("/survey");

interface KeysProps {
  readonly search: React.RefObject<HTMLInputElement | null>;
  readonly onHelp: () => void;
  readonly onWrite: () => void;
}
/** The keyboard's commands. */
function Keyboard({ search, onHelp, onWrite }: KeysProps) {
  const { undo, redo } = useGarden();
  const { setOn, step } = useMoves();
  const navigate = useNavigate();
  const linkNow = useLinkNow();
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      const command = commandFor(e, isTyping(e.target));
      if (command === null) return;
      e.preventDefault();
      if (command === "search") search.current?.focus();
      else if (command === "help") onHelp();
      else if (command === "write") onWrite();
      else if (command === "today") setOn(today());
      else if (command === "undo") undo();
      else if (command === "redo") redo();
      else if ("step" in command) step(command.step);
      else void navigate(linkNow(command.go));
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [setOn, step, undo, redo, navigate, linkNow, search, onHelp, onWrite]);
  return null;
}

/** What stands over every screen when there is something to say of the whole. */
function Bars({ onOwn }: { readonly onOwn: () => void }) {
  const { garden, demo, apart, keepsNothing } = useGarden();
  const due = useExportDue(garden.visits.length + garden.observations.length);
  const renewal = useRenewal();
  // In the middle of a job nothing is offered: it would begin the page anew.
  const atWork = useLocation().pathname.startsWith("/at/");
  return (
    <>
      {keepsNothing && (
        <div className="bar" role="status">
          <p>Nothing is kept in this tab: the browser gave no storage. Export the garden before you close it.</p>
        </div>
      )}
      {apart.length > 0 && (
        <div className="bar">
          <p>
            {apart.length} {apart.length === 1 ? "row is" : "rows are"} set apart: kept, but not part of the garden.
          </p>
          <DayLink to="/apart" className="press">
            Look at {apart.length === 1 ? "it" : "them"}
          </DayLink>
        </div>
      )}
      {due !== null && !demo && !atWork && (
        <div className="bar">
          <p>
            {due === "never" ? "The garden was never exported" : `The last export was ${due} days ago`}: a file of your
            own outlives this browser.
          </p>
          <DayLink to="/place" className="press">
            Export it
          </DayLink>
          <button type="button" className="press" onClick={putOff}>
            Later
          </button>
        </div>
      )}
      {renewal && !atWork && (
        <div className="bar" role="status">
          <p>A new version of Wren Song is ready. What you wrote down stays.</p>
          <button type="button" className="press" onClick={renew}>
            Take it now
          </button>
        </div>
      )}
      {demo && !atWork && (
        <section className="bar bar-demo" aria-label="Demo garden">
          <p>
            The demo garden<span className="from-sm">: invented, yours to play with.</span>
          </p>
          <button type="button" className="press press-main" onClick={onOwn}>
            Start with my own place
          </button>
        </section>
      )}
    </>
  );
}

const MAIN = "main";
/** What had the focus may go with what was done: then it moves to what stands on the screen, not to nowhere. */
function useKeptFocus(): void {
  useEffect(() => {
    let last: Element | null = null;
    const onFocus = (e: FocusEvent): void => {
      last = e.target instanceof Element ? e.target : null;
    };
    const watch = new MutationObserver(() => {
      if (last === null || last.isConnected || document.activeElement !== document.body) return;
      last = null;
      document.getElementById(MAIN)?.focus({ preventScroll: true });
    });
    document.addEventListener("focusin", onFocus);
    watch.observe(document.body, { childList: true, subtree: true });
    return () => {
      document.removeEventListener("focusin", onFocus);
      watch.disconnect();
    };
  }, []);
}

/** Where the plant fills the screen the strip is one line: the day is not the question there. */
const isFolded = (pathname: string): boolean => /^\/(plant\/[^/]+\/bench|hedges|days)/.test(pathname);

/** The plant on screen: of its own page, or the one chosen beside a list; null: none. */
function usePlantHere(): string | null {
  const { pathname, search } = useLocation();
  return /^\/(?:plant|at)\/([^/]+)/.exec(pathname)?.[1] ?? new URLSearchParams(search).get("plant");
}

export function Shell() {
  const { garden, whole, drawn, undo, redo, undoable } = useGarden();
  const { pathname } = useLocation();
  const [help, setHelp] = useState(false);
  const far = useFarSeen();
  const [own, setOwn] = useState(false);
  const [searching, setSearching] = useState(false);
  const search = useRef<HTMLInputElement>(null);
  useKeptFocus();
  const openHelp = useCallback(() => setHelp(true), []);
  const [writing, setWriting] = useState(false);
  const openWriting = useCallback(() => setWriting(true), []);
  const here = usePlantHere();
  const opened = useRef(pathname);
  useEffect(() => {
    // A page just opened stands at its top: asking for it would have it laid out before its time.
    if (opened.current === pathname) return;
    opened.current = "";
    // Some browsers answer with a promise, which an effect must not return.
    window.scrollTo(0, 0);
  }, [pathname]);
  useEffect(() => {
    document.title = `${document.querySelector("h1")?.textContent ?? garden.name} · Wren Song`;
  }, [pathname, garden.name]);

  return (
    <div className="shell">
      <a
        href={`#${MAIN}`}
        className="skip"
        onClick={(e) => {
          e.preventDefault();
          document.getElementById(MAIN)?.focus();
        }}
      >
        To what stands on this screen
      </a>
      <header className="shell-head">
        <div className="shell-names">
          <p className="shell-name">Wren Song</p>
          <p className="shell-garden from-sm">{garden.name}</p>
        </div>
        <Navigation />
        <div className="shell-gap" />
        <div className="shell-presses">
          <button
            type="button"
            className="press-icon until-md"
            aria-label="Find a plant"
            aria-expanded={searching}
            onClick={() => setSearching(!searching)}
          >
            <SearchIcon size={20} />
          </button>
          <button
            type="button"
            className="press-icon"
            aria-label="Write down what you see"
            title="Write down what you see"
            onClick={openWriting}
          >
            <NotebookPen size={20} />
          </button>
          <button
            type="button"
            className="press-icon"
            aria-label={undoable.undo ? `Undo: ${undoable.undo}` : "Nothing to undo"}
            title={undoable.undo ?? undefined}
            disabled={!undoable.undo}
            onClick={undo}
          >
            <Undo2 size={20} />
          </button>
          <button
            type="button"
            className="press-icon"
            aria-label={undoable.redo ? `Do again: ${undoable.redo}` : "Nothing to do again"}
            disabled={!undoable.redo}
            onClick={redo}
          >
            <Redo2 size={20} />
          </button>
          <Scheme />
          <button type="button" className="press-icon from-sm" aria-label="Keys" onClick={() => setHelp(true)}>
            <CircleHelp size={20} />
          </button>
        </div>
        <div className={searching ? "shell-find" : "shell-find shell-find-shut"}>
          <SearchBox inputRef={search} />
        </div>
      </header>
      <Bars onOwn={() => setOwn(true)} />
      {hasStrip(pathname) && (
        <Part name="The strip of the year">
          <YearStrip key={isFolded(pathname) ? "folded" : "open"} folded={isFolded(pathname)} />
        </Part>
      )}
      <main id={MAIN} tabIndex={-1} className="shell-main">
        {(whole && drawn) || NEEDS_LITTLE.includes(pathname) ? (
          <Outlet />
        ) : (
          <p className="waiting">Opening the garden…</p>
        )}
      </main>
      <NoticeBar />
      <Keyboard search={search} onHelp={openHelp} onWrite={openWriting} />
      <Part name="A dialog">
        <Suspense fallback={null}>
          {writing && <WriteDown plantId={here} onClose={() => setWriting(false)} />}
          {help && <Help onClose={() => setHelp(false)} />}
          {own && <OwnPlaceDialog onClose={() => setOwn(false)} />}
          {far && <FarSeenDialog key={far.seen.id} {...far} />}
        </Suspense>
      </Part>
    </div>
  );
}
