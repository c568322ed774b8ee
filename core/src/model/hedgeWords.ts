/** The words a hedge is told in, apart from its schema. */

/** How a hedge's top is shaped. */
export const CROWNS = ["flat", "rounded", "ridged"] as const;
/** One of them. */
export type Crown = (typeof CROWNS)[number];
/** How the top goes over a slope. */
export const TOPS = ["level", "follows", "steps"] as const;
/** One of them. */
export type Top = (typeof TOPS)[number];
/** The two faces; the front is the one that looks where the hedge is said to face. */
export const FACES = ["front", "back"] as const;
/** One of the faces. */
export type Face = (typeof FACES)[number];
/** How a face's leaf stands. */
export const FACE_STATES = ["dense", "thin", "bare"] as const;
/** One of them. */
export type FaceState = (typeof FACE_STATES)[number];
/** What a face looks on. */
export const BESIDES = ["open", "bed", "path", "lane", "wall", "neighbour"] as const;
/** One of them. */
export type Beside = (typeof BESIDES)[number];
