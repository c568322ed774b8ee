// node scripts/places.mjs FILE: core/src/towns/placeRows.ts from the open GeoNames list of towns (cities1000.txt, CC BY
// 4.0, tab separated): where towns lie, so that any of them can be named. What a place's year is like comes from
// core/data/towns.csv alone.
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./lib.mjs";

/** So many people at least, and fewer where most of those live who read this language or garden in such a climate. */
const PEOPLE = 60_000;
const NEAR_PEOPLE = 15_000;
const NEAR_COUNTRIES = new Set(
  "AD AT AU BE CA CH CZ DE DK EE ES FI FR GB GG GR HR HU IE IM IS IT JE LI LT LU LV MC MT NL NO NZ PL PT SE SI SK US".split(
    " ",
  ),
);
/** Nearer the equator than this no kind here has its seasons. */
const LATITUDE_DEG = 15;
/** Quarters of a town are found by the town's name. */
const QUARTER = "PPLX";
/** Regions by the list's own numbers where several towns of one name are common. */
const REGIONS = {
  AU: { "01": "ACT", "02": "NSW", "03": "NT", "04": "QLD", "05": "SA", "06": "TAS", "07": "VIC", "08": "WA" },
  CA: {
    "01": "AB",
    "02": "BC",
    "03": "MB",
    "04": "NB",
    "05": "NL",
    "07": "NS",
    "08": "ON",
    "09": "PE",
    10: "QC",
    11: "SK",
    12: "YT",
    13: "NT",
    14: "NU",
  },
  DE: {
    "01": "Baden-Württemberg",
    "02": "Bavaria",
    "03": "Bremen",
    "04": "Hamburg",
    "05": "Hesse",
    "06": "Lower Saxony",
    "07": "North Rhine-Westphalia",
    "08": "Rhineland-Palatinate",
    "09": "Saarland",
    10: "Schleswig-Holstein",
    11: "Brandenburg",
    12: "Mecklenburg-Vorpommern",
    13: "Saxony",
    14: "Saxony-Anhalt",
    15: "Thuringia",
    16: "Berlin",
  },
  GB: { ENG: "England", SCT: "Scotland", WLS: "Wales", NIR: "Northern Ireland" },
};
const regionOf = (country, code) => (country === "US" ? code : (REGIONS[country]?.[code] ?? ""));

const rows = readFileSync(process.argv[2], "utf8")
  .split("\n")
  .flatMap((line) => {
    const c = line.split("\t");
    const [name, lat, lon, feature, country, code] = [c[1], Number(c[4]), Number(c[5]), c[7], c[8], c[10]];
    const [people, elevation, model] = [Number(c[14]), c[15], Number(c[16])];
    if (
      !(people >= (NEAR_COUNTRIES.has(country) ? NEAR_PEOPLE : PEOPLE)) ||
      Math.abs(lat) < LATITUDE_DEG ||
      feature === QUARTER
    )
      return [];
    const height = elevation === "" ? (model > -500 ? model : 0) : Number(elevation);
    // A tenth of a degree and ten metres are as near as a climate is told.
    const where = [lat.toFixed(1), lon.toFixed(1), Math.round(height / 10) * 10];
    return [{ people, row: [name, regionOf(country, code), country, ...where].join("|") }];
  })
  .sort((a, b) => b.people - a.people)
  .map((r) => r.row);
writeFileSync(
  join(root, "core/src/towns/placeRows.ts"),
  `/**
 * Where ${rows.length} towns lie, the largest first: name|region|country|latitude|longitude|height in m. Made by
 * \`node scripts/places.mjs\` from GeoNames (geonames.org, CC BY 4.0): towns of ${NEAR_PEOPLE}
 * people and more, of ${PEOPLE} in some countries.
 */
export const PLACE_ROWS = ${JSON.stringify(rows.join("\n"))};
`,
);
console.log(rows.length);
