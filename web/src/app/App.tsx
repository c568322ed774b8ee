import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { useState } from "react";
import { BrowserRouter, Navigate, Route, Routes, useLocation } from "react-router";
import { TodayScreen } from "../screens/today/index.ts";
import { DayProvider } from "../state/day.tsx";
import { GardenProvider } from "../state/garden.tsx";
import { NoticeProvider } from "../state/notices.tsx";
import { PageStands, ScreenStands } from "./broken.tsx";
import { later } from "../ui/later.tsx";
import { Shell } from "./Shell.tsx";

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
const Notebook = later(async () => (await import("../screens/record/index.ts")).NotebookScreen);
const Year = later(async () => (await import("../screens/year/index.ts")).YearScreen);
const Place = later(async () => (await import("../screens/place/index.ts")).PlaceScreen);
const Hedges = later(async () => (await import("../screens/hedges/index.ts")).HedgesScreen);
const WorkDays = later(async () => (await import("../screens/workdays/index.ts")).WorkDaysScreen);
const AtPlant = later(async () => (await import("../screens/atplant/index.ts")).AtPlantScreen);
const Apart = later(async () => (await import("../screens/apart/index.ts")).ApartScreen);

/** What stands at each address, inside the shell. */
const SCREENS = [
  ["/today", TodayScreen],
  ["/garden", Garden],
  ["/garden/table", Table],
  ["/walk", Walk],
  ["/which/:key?", Which],
  ["/kinds", Kinds],
  ["/kinds/:id", Kind],
  ["/plant/:id/survey", Survey],
  ["/plant/:id/bench", Bench],
  ["/plant/:id", Plant],
  ["/plant/:id/record/:task?", Record],
  ["/record", Notebook],
  ["/year", Year],
  ["/place", Place],
  ["/hedges/:id?", Hedges],
  ["/days", WorkDays],
  ["/at/:id", AtPlant],
  ["/apart", Apart],
] as const;

/** The day that was asked for goes along. */
function ToToday() {
  return <Navigate to={`/today${useLocation().search}`} replace />;
}

function Screens() {
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route element={<ScreenStands />}>
          {SCREENS.map(([path, Screen]) => (
            <Route key={path} path={path} element={<Screen />} />
          ))}
          <Route path="*" element={<ToToday />} />
        </Route>
      </Route>
    </Routes>
  );
}

const makeClient = () =>
  new QueryClient({
    // Everything is read from this browser: no network to wait for, nothing to try again.
    defaultOptions: {
      queries: { networkMode: "always", retry: false, refetchOnWindowFocus: false },
      mutations: { networkMode: "always" },
    },
  });

export function App() {
  const [client] = useState(makeClient);
  return (
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <PageStands>
          <NoticeProvider>
            <GardenProvider waiting={<p className="waiting">Opening the garden…</p>}>
              <DayProvider>
                <Screens />
              </DayProvider>
            </GardenProvider>
          </NoticeProvider>
        </PageStands>
      </BrowserRouter>
    </QueryClientProvider>
  );
}
