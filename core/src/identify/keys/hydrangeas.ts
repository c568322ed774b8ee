/** The six garden hydrangeas, in leaf, in flower and on bare stems. Odds: from memory of field guides and extension sheets. */
import type { Key } from "../schema.ts";

const big = "hydrangea-macrophylla";
const mountain = "hydrangea-serrata";
const oak = "hydrangea-quercifolia";
const climbing = "hydrangea-anomala-petiolaris";
const panicle = "hydrangea-paniculata";
const smooth = "hydrangea-arborescens";
type Odds = Key["traits"][number]["odds"];
/** In the order: bigleaf, mountain, oakleaf, climbing, panicle, smooth. */
const odds = (...rows: readonly (readonly number[])[]): Odds =>
  Object.fromEntries([big, mountain, oak, climbing, panicle, smooth].map((id, i) => [id, [...rows[i]!]]));

export const HYDRANGEA_KEY: Key = {
  id: "hydrangeas",
  name: "Which hydrangea?",
  about: "The six of the garden have opposite needs: the same March cut is right for one and takes another's flowers.",
  candidates: { [big]: 32, [mountain]: 8, [oak]: 14, [climbing]: 8, [panicle]: 22, [smooth]: 16 },
  names: {},
  traits: [
    {
      id: "climbs",
      question: "Does it climb by itself?",
      hint: "Short clinging rootlets along the stems, on a wall, fence or trunk.",
      season: "any",
      answers: [
        { id: "yes", label: "Yes, it clings" },
        { id: "no", label: "No, it stands free" },
      ],
      odds: odds([1, 99], [1, 99], [1, 99], [92, 8], [1, 99], [1, 99]),
      source: "rhs",
    },
    {
      id: "leaf-shape",
      question: "What shape is a leaf?",
      hint: "A full-grown leaf from the middle of a shoot.",
      season: "leaf",
      answers: [
        { id: "lobed", label: "Lobed like an oak's" },
        { id: "broad", label: "Broad oval, as large as a hand" },
        { id: "narrow", label: "Narrow, pointed, smaller than a palm" },
        { id: "heart", label: "Heart-shaped or round at the foot" },
      ],
      odds: odds([1, 88, 6, 5], [1, 14, 80, 5], [97, 1, 1, 1], [1, 20, 9, 70], [1, 60, 36, 3], [1, 26, 4, 69]),
      source: "rhs",
    },
    {
      id: "leaf-face",
      question: "How does the leaf feel and look?",
      hint: "Rub it between finger and thumb; look at it from the side.",
      season: "leaf",
      answers: [
        { id: "thick", label: "Thick, stiff, shiny" },
        { id: "thin", label: "Thin, soft, dull" },
        { id: "rough", label: "Rough, a little hairy" },
        { id: "felted", label: "White felt underneath" },
      ],
      odds: odds([86, 10, 3, 1], [8, 80, 11, 1], [3, 3, 14, 80], [55, 40, 4, 1], [8, 20, 70, 2], [3, 78, 11, 8]),
      source: "practice",
    },
    {
      id: "leaf-places",
      question: "How do the leaves stand on the stem?",
      hint: "At a joint half way up a strong shoot.",
      season: "leaf",
      answers: [
        { id: "pairs", label: "In pairs" },
        { id: "threes", label: "In threes, at least on some shoots" },
      ],
      odds: odds([98, 2], [98, 2], [97, 3], [99, 1], [28, 72], [93, 7]),
      source: "practice",
    },
    {
      id: "head-shape",
      question: "What shape is a flower head?",
      hint: "Fresh, or last year's dried one.",
      season: "flower",
      answers: [
        { id: "cone", label: "A cone, longer than wide" },
        { id: "ball", label: "A ball or a dome" },
        { id: "lace", label: "Flat: small in the middle, large round the edge" },
      ],
      odds: odds([1, 70, 29], [1, 14, 85], [97, 2, 1], [1, 2, 97], [92, 7, 1], [1, 84, 15]),
      source: "rhs",
    },
    {
      id: "flower-colour",
      question: "What colour are the flowers when fresh?",
      hint: "Not the colour they fade to.",
      season: "flower",
      answers: [
        { id: "blue", label: "Blue, violet or strong pink" },
        { id: "white", label: "White or cream, perhaps turning pink" },
        { id: "green", label: "Green, then white" },
      ],
      odds: odds([88, 10, 2], [74, 25, 1], [1, 92, 7], [1, 96, 3], [1, 80, 19], [9, 45, 46]),
      source: "practice",
    },
    {
      id: "head-size",
      question: "How wide is a flower head?",
      hint: "The largest, from edge to edge.",
      season: "flower",
      answers: [
        { id: "wide", label: "Wider than a hand is long" },
        { id: "palm", label: "About a palm, or less" },
      ],
      odds: odds([66, 34], [4, 96], [72, 28], [80, 20], [70, 30], [72, 28]),
      source: "practice",
    },
    {
      id: "leaf-size",
      question: "How large is a full-grown leaf?",
      hint: "Lay a hand on it.",
      season: "leaf",
      answers: [
        { id: "hand", label: "As large as the hand or larger" },
        { id: "fingers", label: "As long as the fingers, no more" },
      ],
      odds: odds([82, 18], [10, 90], [97, 3], [35, 65], [40, 60], [60, 40]),
      source: "practice",
    },
    {
      id: "flower-wood",
      question: "Where do the flowers sit?",
      hint: "Follow a flowering shoot down: this year's is green or fresh brown, last year's is grey.",
      season: "flower",
      answers: [
        { id: "short", label: "On short shoots from last year's stem" },
        { id: "long", label: "At the end of a long new shoot" },
      ],
      odds: odds([88, 12], [88, 12], [85, 15], [92, 8], [6, 94], [5, 95]),
      source: "shrub-calendar",
    },
    {
      id: "bark",
      question: "What is the bark of an old stem like?",
      hint: "Thicker than a finger, near the ground.",
      season: "any",
      answers: [
        { id: "cinnamon", label: "Cinnamon brown, peeling in thin flakes" },
        { id: "shreds", label: "Peeling in long shreds" },
        { id: "tan", label: "Smooth or split, tan to grey" },
        { id: "no-old", label: "There are no old stems" },
      ],
      odds: odds([2, 9, 82, 7], [2, 10, 78, 10], [74, 18, 6, 2], [22, 60, 16, 2], [4, 19, 75, 2], [2, 14, 37, 47]),
      source: "practice",
    },
    {
      id: "end-bud",
      question: "What sits at the very end of a bare stem?",
      hint: "The bud at the tip, or what is left of the old flower.",
      season: "bare",
      answers: [
        { id: "fat", label: "A fat green or purple bud, as long as a thumbnail" },
        { id: "slim", label: "A slim pointed bud, reddish, shorter than that" },
        { id: "woolly", label: "A buff, woolly bud" },
        { id: "small", label: "Only tiny buds; the tip carries an old head or is dead" },
      ],
      odds: odds([72, 12, 1, 15], [14, 70, 1, 15], [8, 4, 80, 8], [40, 46, 2, 12], [2, 5, 1, 92], [2, 6, 1, 91]),
      source: "practice",
    },
    {
      id: "bud-places",
      question: "How do the buds stand on a bare stem?",
      hint: "At a joint half way up a strong stem.",
      season: "bare",
      answers: [
        { id: "pairs", label: "In pairs" },
        { id: "threes", label: "In threes, at least on some stems" },
      ],
      odds: odds([98, 2], [98, 2], [97, 3], [99, 1], [26, 74], [93, 7]),
      source: "practice",
    },
    {
      id: "old-head",
      question: "What shape are last year's dried heads?",
      hint: "If they are still on, or lie below.",
      season: "bare",
      answers: [
        { id: "cone", label: "A cone" },
        { id: "ball", label: "A ball or a dome" },
        { id: "lace", label: "Flat, a few large ones round the edge" },
        { id: "none", label: "There are none" },
      ],
      odds: odds([1, 55, 20, 24], [1, 10, 55, 34], [76, 1, 1, 22], [1, 2, 50, 47], [86, 4, 1, 9], [1, 74, 11, 14]),
      source: "practice",
    },
    {
      id: "stems",
      question: "What are the bare stems like?",
      hint: "Several of them: thickness, branching, how far they are alive.",
      season: "bare",
      answers: [
        { id: "canes", label: "Thick, straight, little branched, tan" },
        { id: "twigs", label: "Thin as a pencil and thinner, twiggy" },
        { id: "frame", label: "Woody and branched, like a small tree" },
        { id: "soft", label: "Weak, straw-coloured, many dead to the ground" },
      ],
      odds: odds([78, 12, 4, 6], [10, 78, 7, 5], [48, 2, 49, 1], [10, 36, 52, 2], [10, 11, 77, 2], [10, 18, 2, 70]),
      source: "practice",
    },
  ],
};
