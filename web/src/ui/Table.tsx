/** A plain table with ruled lines: headings, then rows whose first cell names them. */
import type { ReactNode } from "react";

interface Props {
  readonly head: readonly string[];
  readonly rows: readonly { readonly key: string; readonly cells: readonly ReactNode[] }[];
  /** On a narrow screen a row stands as lines under each other, each with its heading. */
  readonly stacks?: boolean;
}

export function Table({ head, rows, stacks = false }: Props) {
  return (
    <table className={stacks ? "ruled stacks" : "ruled"}>
      <thead>
        <tr>
          {head.map((h) => (
            <th key={h} scope="col">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.key}>
            {r.cells.map((c, i) =>
              i === 0 ? (
                <th key={i} scope="row">
                  {c}
                </th>
              ) : (
                <td key={i} data-head={stacks ? head[i] : undefined}>
                  {c}
                </td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
