/** A photo before and after from the same place: the last one lies over the camera's picture like a ghost. */
import { Box, Typography } from "@mui/material";
import type { Plant } from "@wren/core";
import { useEffect, useRef, useState } from "react";
import { today } from "../../data/clock.ts";
import { pictureFrom } from "../../data/pictures.ts";
import { standing } from "../../state/edits.ts";
import { useGarden } from "../../state/garden.tsx";
import { newId } from "../../state/ids.ts";
import { useNotices } from "../../state/notices.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { Picture } from "../../ui/Picture.tsx";

interface FinderProps {
  readonly plant: Plant;
  readonly onShot: (file: Blob) => void;
  readonly onNoCamera: () => void;
}
/** The camera's picture with the ghost over it. */
function Finder({ plant, onShot, onNoCamera }: FinderProps) {
  const { garden } = useGarden();
  const video = useRef<HTMLVideoElement>(null);
  const ghost = garden.photos.findLast((p) => p.plantId === plant.id);
  const [ready, setReady] = useState(false);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let live = true;
    const open = async (): Promise<void> => {
      const got = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" }, audio: false });
      if (!live || !video.current) {
        got.getTracks().forEach((t) => t.stop());
        return;
      }
      stream = got;
      video.current.srcObject = got;
      await video.current.play();
    };
    open().catch(onNoCamera);
    return () => {
      live = false;
      stream?.getTracks().forEach((t) => t.stop());
    };
  }, [onNoCamera]);
  const shoot = (): void => {
    const v = video.current;
    if (!v) return;
    const canvas = document.createElement("canvas");
    canvas.width = v.videoWidth;
    canvas.height = v.videoHeight;
    canvas.getContext("2d")!.drawImage(v, 0, 0);
    canvas.toBlob((b) => b && onShot(b), "image/jpeg", 0.9);
  };
  return (
    <Box>
      <Box sx={{ position: "relative", bgcolor: "#000", overflow: "hidden" }}>
        <video
          ref={video}
          muted
          playsInline
          onCanPlay={() => setReady(true)}
          aria-label="What the camera sees"
          style={{ display: "block", width: "100%" }}
        />
        {ghost && (
          <Box
            sx={{
              position: "absolute",
              inset: 0,
              opacity: 0.4,
              pointerEvents: "none",
              "& img": { width: "100%", height: "100%", objectFit: "cover" },
            }}
          >
            <Picture photo={ghost} alt={`The last picture, of ${ghost.on}`} size="full" width="100%" />
          </Box>
        )}
      </Box>
      {ghost && <Typography variant="body2">The last picture lies over it: stand where the two agree.</Typography>}
      <button
        type="button"
        className="press press-main"
        disabled={!ready}
        style={{ minHeight: 56, width: "100%", justifyContent: "center", marginTop: 8 }}
        onClick={shoot}
      >
        Take it
      </button>
    </Box>
  );
}

export function Camera({ plant }: { readonly plant: Plant }) {
  const { garden, change } = useGarden();
  const { say: notify } = useNotices();
  const [open, setOpen] = useState(false);
  const [none, setNone] = useState(!("mediaDevices" in navigator));
  const today_ = today();
  const taken = garden.photos.filter((p) => p.plantId === plant.id && p.on === today_).length;
  const keep = async (file: Blob): Promise<void> => {
    try {
      const picture = await pictureFrom(
        newId(),
        file instanceof File ? file : new File([file], "photo.jpg", { type: "image/jpeg" }),
      );
      await change(
        `Photo of ${plant.label} kept`,
        (g) => ({
          ...standing(g, plant.id),
          photos: [
            ...g.photos,
            { id: picture.id, plantId: plant.id, on: today_, caption: taken === 0 ? "before" : "after" },
          ],
        }),
        { pictures: [picture] },
      );
      setOpen(false);
    } catch (e) {
      notify({ text: e instanceof Error ? e.message : String(e), trouble: true });
    }
  };
  const noCamera = useNoCamera(setNone);
  return (
    <Box component="section" aria-label="Photo" sx={{ mt: 2 }}>
      {open && !none ? (
        <Finder plant={plant} onShot={(b) => void keep(b)} onNoCamera={noCamera} />
      ) : none ? (
        <FileButton variant="outlined" label="Photo" accept="image/*" onFile={(file) => void keep(file)}>
          {taken === 0 ? "Photo before" : "Photo after"}
        </FileButton>
      ) : (
        <button
          type="button"
          className="press"
          style={{ minHeight: 56, width: "100%", justifyContent: "center" }}
          onClick={() => setOpen(true)}
        >
          {taken === 0 ? "Photo before" : "Photo after"}
        </button>
      )}
      {taken > 0 && <Typography variant="body2">{taken} taken today.</Typography>}
    </Box>
  );
}

/** The same function as long as the screen stands: the camera is not opened anew with every tick. */
function useNoCamera(setNone: (none: boolean) => void): () => void {
  const [f] = useState(() => () => setNone(true));
  return f;
}
