/** What follows from earlier cuts and from what was begun for years, as far as its day is near. */
import { allFollowUps, nextProgrammeSteps, type PlainDate } from "@wren/core";
import { useMemo } from "react";
import { FollowUpRow } from "../../answer/FollowUpRow.tsx";
import { ProgrammeRow } from "../../answer/Programmes.tsx";
import { useGarden } from "../../state/garden.tsx";
import { Section } from "../../ui/Section.tsx";

export function NextSteps({ on }: { readonly on: PlainDate }) {
  const { model } = useGarden();
  const steps = useMemo(() => allFollowUps(model, on).filter((f) => f.state !== "coming"), [model, on]);
  const begun = useMemo(() => nextProgrammeSteps(model, on), [model, on]);
  const count = steps.length + begun.length;
  return (
    count > 0 && (
      <Section title="Next steps" aside={<p className="numeral count">{count}</p>}>
        <ul className="bare">
          {steps.map((f) => (
            <FollowUpRow key={f.id} step={f} named />
          ))}
          {begun.map((s) => (
            <ProgrammeRow key={s.id} step={s} />
          ))}
        </ul>
      </Section>
    )
  );
}
