/** A photo's picture, as soon as it is there; where it is lost, that is said in its place. */
import type { Photo } from "@wren/core";
import type { Size } from "../data/pictures.ts";
import { usePicture } from "../state/pictures.ts";

interface Props {
  readonly photo: Photo;
  readonly alt: string;
  readonly size?: Size;
  readonly height?: number;
  readonly width?: string;
}

export function Picture({ photo, alt, size = "small", height, width }: Props) {
  const url = usePicture(photo.id, size);
  if (url === null)
    return (
      <span role="img" aria-label={`${alt}: the picture is lost`}>
        Picture lost
      </span>
    );
  // The room is kept while it is fetched, so that nothing jumps.
  if (url === undefined) return <span style={{ display: "block", height, width: width ?? height }} />;
  return <img src={url} alt={alt} height={height} width={width} style={{ display: "block" }} />;
}
