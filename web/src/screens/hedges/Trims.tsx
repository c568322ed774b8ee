/** One, two or three trims a year side by side: days, price, and how far out of line it stands over the year. */
import { Typography } from "@mui/material";
import { sinceTrim, trimDates, YEAR_DAYS, type HedgeTrims, type PlainDate, type TrimPlan } from "@wren/core";
import { useGarden } from "../../state/garden.tsx";
import { useVoice } from "../../state/voice.ts";
import { Chips } from "../../ui/Chips.tsx";
import { Scroller } from "../../ui/Scroller.tsx";
import { Table } from "../../ui/Table.tsx";

const CURVE = { width: 220, height: 56 } as const;
/** How far out a face stands day by day, as a line; the tolerance as another. */
function Curve({
  trims,
  plan,
  mostM,
}: {
  readonly trims: HedgeTrims;
  readonly plan: TrimPlan;
  readonly mostM: number;
}) {
  const y = (m: number): number => CURVE.height - (m / mostM) * (CURVE.height - 4);
  const points = Array.from({ length: YEAR_DAYS / 5 }, (_, i) => {
    const day = i * 5;
    const last = plan.days.findLast((d) => d <= day) ?? plan.days.at(-1)!;
    return `${((day / YEAR_DAYS) * CURVE.width).toFixed(1)} ${y(sinceTrim(trims.year, last, day)).toFixed(1)}`;
  });
  return (
    <svg
      viewBox={`0 0 ${CURVE.width} ${CURVE.height}`}
      width={CURVE.width}
      aria-hidden="true"
      style={{ maxWidth: "100%" }}
    >
      <rect width={CURVE.width} height={CURVE.height} fill="var(--paper)" stroke="var(--line)" />
      <line
        x1="0"
        x2={CURVE.width}
        y1={y(trims.toleranceM)}
        y2={y(trims.toleranceM)}
        stroke="var(--alarm)"
        strokeDasharray="4 3"
      />
      <path d={`M${points.join("L")}`} fill="none" stroke="var(--leaf)" strokeWidth="2" />
    </svg>
  );
}

const toFive = (minutes: number): number => Math.round(minutes / 5) * 5;

interface Props {
  readonly trims: HedgeTrims;
  readonly on: PlainDate;
  readonly minutes: readonly [number, number];
  readonly onCount: (n: number) => void;
}
export function Trims({ trims, on, minutes, onCount }: Props) {
  const { model } = useGarden();
  const say = useVoice();
  const mostM = Math.max(trims.toleranceM * 1.5, ...trims.plans.map((p) => p?.worstM ?? 0));
  const rows = trims.plans.flatMap((plan, i) =>
    plan
      ? [
          {
            key: String(i),
            cells: [
              i + 1 === trims.count ? <strong key="n">{i + 1}, advised here</strong> : String(i + 1),
              trimDates(model, plan, on).map(say.date).join(", "),
              say.length(plan.worstM),
              say.days(plan.daysOver),
              `${toFive(minutes[0])}–${toFive(minutes[1])} min`,
              <Curve key="c" trims={trims} plan={plan} mostM={mostM} />,
            ],
          },
        ]
      : [],
  );
  return (
    <>
      <Scroller label="Trims side by side" sx={{ overflowX: "auto" }}>
        <Table
          head={[
            "Trims",
            "Days",
            "Furthest out",
            `Days over ${say.length(trims.toleranceM)}`,
            "Each takes",
            "The year",
          ]}
          rows={rows}
        />
      </Scroller>
      <div className="no-print">
        <Chips
          label="How many a year?"
          options={rows.map((r) => ({ value: String(Number(r.key) + 1), label: `${Number(r.key) + 1}` }))}
          chosen={(v) => Number(v) === trims.count}
          onPress={(v) => onCount(Number(v))}
        />
      </div>
      <Typography variant="body2" sx={{ color: "text.secondary" }}>
        Each day has the price of its cut: the soft flush, heat, flowers, and what regrows before frost. In nesting time
        look first; an active nest waits until it has flown. The law differs by place.
      </Typography>
    </>
  );
}
