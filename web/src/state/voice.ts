/** The user's way of saying dates and lengths. */
import { voiceOf, type Rules, type Voice } from "@wren/core";
import { useMemo } from "react";
import { dateText } from "../words/dates.ts";
import { useGarden } from "./garden.tsx";

export const voiceFor = (units: Rules["units"]): Voice => voiceOf(units, dateText);

export function useVoice(): Voice {
  const { units } = useGarden().garden.rules;
  return useMemo(() => voiceFor(units), [units]);
}
