/** What follows from earlier cuts and from what was begun for years, as far as its day is near. */
import { dueNow, type PlainDate } from "@wren/core";
import { useMemo } from "react";
import { FollowUpRow } from "../../answer/FollowUpRow.tsx";
import { ProgrammeRow } from "../../answer/Programmes.tsx";
import { useGarden } from "../../state/garden.tsx";
import { Section } from "../../ui/Section.tsx";

export function NextSteps({ on }: { readonly on: PlainDate }) {
  const { model } = useGarden();
  const due = useMemo(() => dueNow(model, on), [model, on]);
  return (
    due.length > 0 && (
      <Section title="Next steps" aside={<p className="numeral count">{due.length}</p>}>
        <ul className="bare">
          {due.map((d) =>
            d.followUp ? (
              <FollowUpRow key={d.uid} step={d.followUp} named />
            ) : (
              d.step && <ProgrammeRow key={d.uid} step={d.step} />
            ),
          )}
        </ul>
      </Section>
    )
  );
}
