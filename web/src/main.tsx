import "@fontsource-variable/alegreya/wght.css";
import "@fontsource-variable/alegreya/wght-italic.css";
import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "./styles/base.css";
import "./styles/page.css";
import "./styles/answer.css";
import "./styles/shell.css";
import "./styles/strip.css";
import { createRoot } from "react-dom/client";
import { App } from "./app/App.tsx";
import { keepOffline } from "./app/renewal.ts";
import { laySchemeDown } from "./state/scheme.ts";
import { layColours } from "./ui/colours.ts";

// The page may not evaluate text as code; Zod is told not to try.
Object.assign(globalThis, { __zod_globalConfig: { jitless: true } });

// Keeping the program for later comes after showing it.
const soon = (f: () => void) => ("requestIdleCallback" in window ? requestIdleCallback(f) : setTimeout(f, 1));
window.addEventListener("load", () => soon(() => void keepOffline().catch(() => undefined)));

layColours();
laySchemeDown();
createRoot(document.getElementById("root")!).render(<App />);
