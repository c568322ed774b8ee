import { CssBaseline, ThemeProvider, Typography } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { useState } from "react";
import { createBrowserRouter, Navigate, RouterProvider, useRouteError } from "react-router";
import { GardenScreen } from "../screens/garden/index.ts";
import { PlaceScreen } from "../screens/place/index.ts";
import { PlantScreen } from "../screens/plant/index.ts";
import { RecordScreen } from "../screens/record/index.ts";
import { TodayScreen } from "../screens/today/index.ts";
import { DayProvider } from "../state/day.tsx";
import { GardenProvider } from "../state/garden.tsx";
import { NoticeProvider } from "../state/notices.tsx";
import { GlobalStyles } from "./globalStyles.tsx";
import { Shell } from "./Shell.tsx";
import { theme } from "./theme.ts";

function Root() {
  return (
    <NoticeProvider>
      <GardenProvider waiting={<Typography sx={{ p: 3 }}>Opening the garden…</Typography>}>
        <DayProvider>
          <Shell />
        </DayProvider>
      </GardenProvider>
    </NoticeProvider>
  );
}

/** What is shown when something broke: the data are in the browser still. */
function Broken() {
  const error = useRouteError();
  return (
    <Typography sx={{ p: 3 }} role="alert">
      Something broke: {error instanceof Error ? error.message : "unknown trouble"}. Your garden is kept in this
      browser; reload the page to go on.
    </Typography>
  );
}

/**
 * Built when the application starts, so that it reads the address it is opened at. Screens that are not opened
 * every day are fetched when they are.
 */
const makeRouter = () =>
  createBrowserRouter([
    {
      element: <Root />,
      errorElement: <Broken />,
      children: [
        { path: "/today", element: <TodayScreen /> },
        { path: "/garden", element: <GardenScreen /> },
        {
          path: "/garden/table",
          lazy: async () => ({ Component: (await import("../screens/table/index.ts")).TableScreen }),
        },
        { path: "/walk", lazy: async () => ({ Component: (await import("../screens/walk/index.ts")).WalkScreen }) },
        {
          path: "/which/:key?",
          lazy: async () => ({ Component: (await import("../screens/identify/index.ts")).IdentifyScreen }),
        },
        {
          path: "/kinds",
          lazy: async () => ({ Component: (await import("../screens/catalogue/index.ts")).CatalogueScreen }),
        },
        {
          path: "/kinds/:id",
          lazy: async () => ({ Component: (await import("../screens/catalogue/index.ts")).KindScreen }),
        },
        {
          path: "/plant/:id/survey",
          lazy: async () => ({ Component: (await import("../screens/survey/index.ts")).SurveyScreen }),
        },
        {
          path: "/plant/:id/bench",
          lazy: async () => ({ Component: (await import("../screens/bench/index.ts")).BenchScreen }),
        },
        { path: "/plant/:id", element: <PlantScreen /> },
        { path: "/plant/:id/record/:task?", element: <RecordScreen /> },
        { path: "/year", lazy: async () => ({ Component: (await import("../screens/year/index.ts")).YearScreen }) },
        { path: "/place", element: <PlaceScreen /> },
        { path: "*", element: <Navigate to="/today" replace /> },
      ],
    },
  ]);

const makeClient = () =>
  new QueryClient({
    // Everything is read from this browser: no network to wait for, nothing to try again.
    defaultOptions: {
      queries: { networkMode: "always", retry: false, refetchOnWindowFocus: false },
      mutations: { networkMode: "always" },
    },
  });

export function App() {
  const [router] = useState(makeRouter);
  const [client] = useState(makeClient);
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline />
      <GlobalStyles />
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ThemeProvider>
  );
}
