/** Pictures of the plant, kept small beside its records. */
import { Box, Button } from "@mui/material";
import type { Plant } from "@wren/core";
import { today } from "../../data/clock.ts";
import { pictureFrom } from "../../data/pictures.ts";
import { standing } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useNotices } from "../../state/notices.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { Picture } from "../../ui/Picture.tsx";
import { Section } from "../../ui/Section.tsx";

export function Photos({ plant }: { readonly plant: Plant }) {
  const { garden, change } = useGarden();
  const { say: notify } = useNotices();
  const photos = garden.photos.filter((p) => p.plantId === plant.id);
  const add = async (file: File): Promise<void> => {
    try {
      const picture = await pictureFrom(newId(), file);
      await change(
        `Photo of ${plant.label} kept`,
        (g) => ({
          ...standing(g, plant.id),
          photos: [...g.photos, { id: picture.id, plantId: plant.id, on: today(), caption: "" }],
        }),
        { pictures: [picture] },
      );
    } catch (e) {
      notify({ text: e instanceof Error ? e.message : String(e), trouble: true });
    }
  };
  return (
    <Section title="Photos">
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 1 }}>
        {photos.map((p) => (
          <Box key={p.id} component="figure" sx={{ m: 0 }}>
            <Picture photo={p} alt={`${plant.label} on ${p.on}`} height={140} />
            <figcaption>
              {p.on}{" "}
              <Button
                size="small"
                onClick={() =>
                  void change("Photo removed", (g) => ({ ...g, photos: g.photos.filter((x) => x.id !== p.id) }))
                }
              >
                Remove
              </Button>
            </figcaption>
          </Box>
        ))}
      </Box>
      <FileButton variant="outlined" label="Photo" accept="image/*" onFile={(file) => void add(file)}>
        Add a photo
      </FileButton>
    </Section>
  );
}
