/** What the plant must hide, leave clear or show, for each place from which somebody looks. */
import { Box, Typography } from "@mui/material";
import { BOUNDS, type Plant, type View } from "@wren/core";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { OneOf } from "../../ui/Chips.tsx";
import { Section } from "../../ui/Section.tsx";
import { DayLink } from "../../ui/DayLink.tsx";
import { LengthInput } from "./LengthInput.tsx";

const WANTS: readonly { readonly value: View["want"]; readonly label: string }[] = [
  { value: "hide", label: "Hide what is behind" },
  { value: "clear", label: "Keep the line over it clear" },
  { value: "show", label: "Be seen itself" },
];

export function Views({ plant, onPlant }: { readonly plant: Plant; readonly onPlant: (p: Plant) => void }) {
  const { garden } = useGarden();
  const say = useVoice();
  const points = garden.viewpoints.filter((v) => v.bedId === plant.bedId);
  const set = (viewpointId: string, view: View | null): void =>
    onPlant({
      ...plant,
      views: [...plant.views.filter((v) => v.viewpointId !== viewpointId), ...(view ? [view] : [])],
    });
  return (
    <Section title="Who looks at it, and from where?">
      {points.length === 0 && (
        <Typography sx={{ mb: 1 }}>
          Nobody looks at this bed yet.{" "}
          <DayLink to="/garden" style={{ color: "inherit" }}>
            Add a viewpoint in the garden
          </DayLink>
          .
        </Typography>
      )}
      {points.map((v) => {
        const view = plant.views.find((x) => x.viewpointId === v.id);
        return (
          <Box key={v.id}>
            <OneOf
              label={`${v.name} (eye at ${say.length(v.eyeHeightM)}, ${say.length(v.distanceM)} away)`}
              value={view?.want ?? null}
              options={WANTS}
              onChange={(want) =>
                set(
                  v.id,
                  view?.want === want
                    ? null
                    : { viewpointId: v.id, want, targetM: view?.targetM ?? 1, beyondM: view?.beyondM ?? 1 },
                )
              }
            />
            {view && (
              <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
                <LengthInput
                  label={
                    view.want === "hide"
                      ? "Top of what is hidden"
                      : view.want === "clear"
                        ? "Lowest point to be seen"
                        : "Seen from this height up"
                  }
                  value={view.targetM}
                  bounds={BOUNDS.targetM}
                  required
                  onChange={(m) => m !== null && set(v.id, { ...view, targetM: m })}
                />
                {view.want !== "show" && (
                  <LengthInput
                    label="So far behind the plant"
                    value={view.beyondM}
                    bounds={BOUNDS.beyondM}
                    required
                    onChange={(m) => m !== null && set(v.id, { ...view, beyondM: m })}
                  />
                )}
              </Box>
            )}
          </Box>
        );
      })}
    </Section>
  );
}
