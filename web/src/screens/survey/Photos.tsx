/** Pictures of the plant, kept small beside its records. */
import { Box, Button } from "@mui/material";
import type { Plant } from "@wren/core";
import { today } from "../../data/clock.ts";
import { smallJpeg } from "../../data/photo.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useNotices } from "../../state/notices.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { Section } from "../../ui/Section.tsx";

export function Photos({ plant }: { readonly plant: Plant }) {
  const { garden, change } = useGarden();
  const { say: notify } = useNotices();
  const photos = garden.photos.filter((p) => p.plantId === plant.id);
  const add = async (file: File): Promise<void> => {
    try {
      const jpeg = await smallJpeg(file);
      await change(`Photo of ${plant.label} kept`, (g) => ({
        ...g,
        photos: [...g.photos, { id: newId(), plantId: plant.id, on: today(), caption: "", jpeg }],
      }));
    } catch (e) {
      notify({ text: e instanceof Error ? e.message : String(e), trouble: true });
    }
  };
  return (
    <Section title="Photos">
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 1 }}>
        {photos.map((p) => (
          <Box key={p.id} component="figure" sx={{ m: 0 }}>
            <img
              src={`data:image/jpeg;base64,${p.jpeg}`}
              alt={`${plant.label} on ${p.on}`}
              style={{ height: 140, display: "block" }}
            />
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
