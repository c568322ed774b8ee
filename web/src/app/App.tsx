import { CssBaseline, ThemeProvider, Typography } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { useState } from "react";
import { createBrowserRouter, Navigate, RouterProvider } from "react-router";
import { TodayScreen } from "../screens/today/index.ts";
import { DayProvider } from "../state/day.tsx";
import { GardenProvider } from "../state/garden.tsx";
import { NoticeProvider } from "../state/notices.tsx";
import { BrokenPage, BrokenScreen } from "./broken.tsx";
import { GlobalStyles } from "./globalStyles.tsx";
import { later } from "./later.tsx";
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

/** Today is what one comes for; the others are fetched when they are opened. */
const Garden = later(async () => (await import("../screens/garden/index.ts")).GardenScreen);
const Table = later(async () => (await import("../screens/table/index.ts")).TableScreen);
const Walk = later(async () => (await import("../screens/walk/index.ts")).WalkScreen);
const Which = later(async () => (await import("../screens/identify/index.ts")).IdentifyScreen);
const Kinds = later(async () => (await import("../screens/catalogue/index.ts")).CatalogueScreen);
const Kind = later(async () => (await import("../screens/catalogue/index.ts")).KindScreen);
const Survey = later(async () => (await import("../screens/survey/index.ts")).SurveyScreen);
const Bench = later(async () => (await import("../screens/bench/index.ts")).BenchScreen);
const Plant = later(async () => (await import("../screens/plant/index.ts")).PlantScreen);
const Record = later(async () => (await import("../screens/record/index.ts")).RecordScreen);
const Year = later(async () => (await import("../screens/year/index.ts")).YearScreen);
const Place = later(async () => (await import("../screens/place/index.ts")).PlaceScreen);
const Apart = later(async () => (await import("../screens/apart/index.ts")).ApartScreen);

/** Built when the application starts, so that it reads the address it is opened at. */
const makeRouter = () =>
  createBrowserRouter([
    {
      element: <Root />,
      errorElement: <BrokenPage />,
      children: [
        {
          errorElement: <BrokenScreen />,
          children: [
            { path: "/today", element: <TodayScreen /> },
            { path: "/garden", element: <Garden /> },
            { path: "/garden/table", element: <Table /> },
            { path: "/walk", element: <Walk /> },
            { path: "/which/:key?", element: <Which /> },
            { path: "/kinds", element: <Kinds /> },
            { path: "/kinds/:id", element: <Kind /> },
            { path: "/plant/:id/survey", element: <Survey /> },
            { path: "/plant/:id/bench", element: <Bench /> },
            { path: "/plant/:id", element: <Plant /> },
            { path: "/plant/:id/record/:task?", element: <Record /> },
            { path: "/year", element: <Year /> },
            { path: "/place", element: <Place /> },
            { path: "/apart", element: <Apart /> },
            { path: "*", element: <Navigate to="/today" replace /> },
          ],
        },
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
