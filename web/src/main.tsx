import "@fontsource-variable/alegreya/wght.css";
import "@fontsource-variable/alegreya/wght-italic.css";
import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import { createRoot } from "react-dom/client";
import * as z from "zod";
import { App } from "./app/App.tsx";

// The page may not evaluate text as code; Zod is told not to try.
z.config({ jitless: true });

createRoot(document.getElementById("root")!).render(<App />);
