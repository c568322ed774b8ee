import "@fontsource-variable/alegreya/wght.css";
import "@fontsource-variable/alegreya/wght-italic.css";
import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import { createRoot } from "react-dom/client";
import * as z from "zod";
import { App } from "./app/App.tsx";
import { keepOffline } from "./app/renewal.ts";

// The page may not evaluate text as code; Zod is told not to try.
z.config({ jitless: true });

// Keeping the program for later comes after showing it.
const idle = window.requestIdleCallback ?? ((f: () => void) => setTimeout(f, 1));
window.addEventListener("load", () => idle(() => void keepOffline().catch(() => undefined)));

createRoot(document.getElementById("root")!).render(<App />);
