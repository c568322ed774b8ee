/** A photo's picture for an <img>: its address in this page, as soon as it is there. */
import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo } from "react";
import type { Size } from "../data/pictures.ts";

async function fetched(id: string, size: Size): Promise<Blob | null> {
  const [{ db }, { pictureOf }] = await Promise.all([import("./keeper.ts"), import("../data/pictures.ts")]);
  return pictureOf(db, id, size);
}

/** undefined until it is known; null when the picture is gone. */
export function usePicture(id: string, size: Size): string | null | undefined {
  const { data: blob } = useQuery({
    queryKey: ["picture", id, size],
    queryFn: () => fetched(id, size).catch(() => null),
    staleTime: Infinity,
  });
  const url = useMemo(() => (blob ? URL.createObjectURL(blob) : blob), [blob]);
  useEffect(() => {
    if (url) return () => URL.revokeObjectURL(url);
    return undefined;
  }, [url]);
  return url;
}
