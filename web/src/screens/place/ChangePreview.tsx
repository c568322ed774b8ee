/** What another garden in the place of this one would change, counted and named before it is done. */
import { Typography } from "@mui/material";
import type { GardenChange } from "@wren/core";
import { Table } from "../../ui/Table.tsx";

const some = (names: readonly string[]): string =>
  names.length === 0 ? "none" : `${names.length} (${names.slice(0, 4).join(", ")}${names.length > 4 ? ", …" : ""})`;

export function ChangePreview({ of, change }: { readonly of: string; readonly change: GardenChange }) {
  if (change.nothing) return <Typography>{of} is exactly the garden you have: nothing would change.</Typography>;
  const count = (what: "added" | "changed" | "removed"): string => {
    const n = change.lists.reduce((sum, l) => sum + l[what].length, 0);
    return n === 1 ? "1 row" : n === 0 ? "no row" : `${n} rows`;
  };
  const differing = change.lists.filter((l) => l.added.length + l.changed.length + l.removed.length > 0);
  return (
    <>
      <Typography sx={{ mb: 1 }}>
        {of}: {count("added")} added, {count("changed")} changed, {count("removed")} removed. You can undo it.
      </Typography>
      <Table
        head={["What", "added", "changed", "removed", "same"]}
        rows={differing.map((l) => ({
          key: l.list,
          cells: [l.list, some(l.added), some(l.changed), some(l.removed), l.same],
        }))}
      />
      <Typography sx={{ mt: 1 }}>
        {change.name && `The name changes from “${change.name.from}” to “${change.name.to}”. `}
        {change.placeChanges && "The place changes. "}
        {change.rulesChange && "Units or schools change."}
      </Typography>
    </>
  );
}
