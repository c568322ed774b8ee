/** Towns of which only the position is known: any of them can be named, the climate comes from the table around it. */
import { plain } from "./find.ts";
import { kilometres, type Locality, type Town } from "./table.ts";

/** Within so many kilometres a place of one name is the town of the table itself. */
const SAME_KM = 60;

/**
 * Reads the list of positions, without the towns that the table has.
 * @param rows lines of name|region|country|latitude|longitude|height in m, the largest town first
 */
export function localitiesFrom(rows: string, table: readonly Town[]): readonly Locality[] {
  const byName = new Map<string, Town[]>();
  for (const t of table) byName.set(plain(t.name), [...(byName.get(plain(t.name)) ?? []), t]);
  return rows.split("\n").flatMap((line) => {
    const [name, region, country, latitude, longitude, height] = line.split("|");
    const l: Locality = {
      name: name!,
      region: region!,
      country: country!,
      latitudeDeg: Number(latitude),
      longitudeDeg: Number(longitude),
      altitudeM: Number(height),
    };
    return byName.get(plain(l.name))?.some((t) => kilometres(t, l) < SAME_KM) ? [] : [l];
  });
}
