/** This year's days from the simulated station, kept with the garden when they are asked for. */
import { useMutation } from "@tanstack/react-query";
import { withWeather } from "@wren/core";
import { today } from "../data/clock.ts";
import { stationDays } from "../data/station.ts";
import { useGarden } from "./garden.tsx";
import { useNotices } from "./notices.tsx";

export function useStation(): { readonly asks: boolean; readonly ask: () => void } {
  const { garden, change } = useGarden();
  const { say } = useNotices();
  const { isPending, mutate } = useMutation({
    mutationFn: () => stationDays(garden.place, today(), new AbortController().signal),
    onSuccess: (years) => change("Days of the simulated station kept", (g) => withWeather(g, years)),
    onError: (e) => say({ text: e.message, trouble: true }),
  });
  return { asks: isPending, ask: () => mutate() };
}
