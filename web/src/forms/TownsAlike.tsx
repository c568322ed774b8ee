/** What a latitude and a zone leave open, by example: summers of towns that share both, each one press. */
import { Typography } from "@mui/material";
import { townLabel, townsAlike, type Place, type Rules, type Town } from "@wren/core";
import { useEffect, useState } from "react";
import { Chips } from "../ui/Chips.tsx";
import { temperatureText } from "./temperature.ts";

/** Afternoons nearer than this are the ones pressed, °C. */
const SAME_C = 0.3;

interface Props {
  readonly place: Place;
  readonly units: Rules["units"];
  readonly onWarmest: (celsius: number) => void;
}

export function TownsAlike({ place, units, onWarmest }: Props) {
  const [towns, setTowns] = useState<readonly Town[]>([]);
  useEffect(() => {
    let live = true;
    // Without the table nothing is offered; the field for afternoons stands below all the same.
    import("../state/allTowns.ts").then(
      ({ TOWNS }) => live && setTowns(TOWNS),
      () => undefined,
    );
    return () => {
      live = false;
    };
  }, []);
  const alike = place.zone === null ? [] : townsAlike(towns, place.latitudeDeg, place.zone);
  const { warmestC: said } = place;
  // The field may round it.
  const chosen = said === null ? undefined : alike.find((a) => Math.abs(a.warmestC - said) < SAME_C);
  // Somebody who typed the afternoons has answered already.
  if (alike.length === 0 || (said !== null && !chosen)) return null;
  return (
    <>
      <Chips
        label="Latitude and zone leave the summer open. Whose afternoons are like yours?"
        options={alike.map(({ town, warmestC }) => ({
          value: townLabel(town),
          label: `${townLabel(town)}: ${temperatureText(warmestC, units)}`,
        }))}
        chosen={(name) => chosen !== undefined && name === townLabel(chosen.town)}
        onPress={(name) => onWarmest(alike.find((a) => townLabel(a.town) === name)!.warmestC)}
      />
      <Typography variant="body2" sx={{ color: "text.secondary", mb: 1.5, mt: -1 }}>
        The warmest month’s, of the coolest{alike.length > 2 ? ", a middling" : ""} and the hottest town of the table
        there.
      </Typography>
    </>
  );
}
