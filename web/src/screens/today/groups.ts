/** Today's answers sorted into what a gardener does with them. */
import { daysBetween, grouped, VERDICT_TABLE, type Advice, type Garden } from "@wren/core";

export type GroupId = "look-for" | "ready" | "soon" | "later" | "professional" | "leave";

export interface Group {
  readonly id: GroupId;
  readonly title: string;
  readonly rows: readonly Advice[];
  /** How many plants they stand for. */
  readonly plants: number;
  /** Plants of a row with the same answer, by the one that stands for them. */
  readonly also: Also;
}
/** The others that a plant stands for, by its id. */
export type Also = ReadonlyMap<string, readonly string[]>;

const SOON_DAYS = 45;
const TITLES: Readonly<Record<GroupId, string>> = {
  "look-for": "Look for",
  ready: "Ready now",
  soon: "Opens soon",
  later: "Leave alone until",
  professional: "Call a professional",
  leave: "Nothing to do",
};
/** The question is what may be cut, so that comes first. */
const ORDER: readonly GroupId[] = ["ready", "look-for", "soon", "later", "professional", "leave"];

const opensIn = (a: Advice): number => (a.window?.opens ? daysBetween(a.on, a.window.opens) : Infinity);

/** Waits that end when something is seen: their own opening, or growth that is due within the season's spread. */
const waitsToSee = (a: Advice): boolean => {
  if (a.verdict !== "wait") return false;
  if (a.opening?.by !== "seen") return false;
  const { expected } = a.opening;
  return expected === null || daysBetween(a.on, expected) <= SOON_DAYS;
};

export function groupOf(a: Advice): GroupId {
  if (a.verdict === "ask-a-pro") return "professional";
  if (a.verdict === "no-need" || a.verdict === "never") return "leave";
  if (waitsToSee(a)) return "look-for";
  if (VERDICT_TABLE[a.verdict].go) return "ready";
  return opensIn(a) <= SOON_DAYS ? "soon" : "later";
}

/** What a missed window would cost orders rows that close on the same day. */
const delayCost = (a: Advice): number => a.bloomLoss.reduce((n, b) => n + b.weight, 0);

const closesIn = (a: Advice): number => a.window?.daysLeft ?? Infinity;

/** What a row is ordered by, smallest first, worked out once a row and not at every comparison. */
type Order = readonly [first: number, then: number];
const orderOf = (a: Advice, id: GroupId): Order => (id === "ready" ? [closesIn(a), 0 - delayCost(a)] : [opensIn(a), 0]);
const before = (a: Order, b: Order): number => (a[0] === b[0] ? a[1] - b[1] : a[0] < b[0] ? -1 : 1);

/** What two plants of a row must share to be one line: what is done, when, why, and at what price. */
const answerKey = (a: Advice): string =>
  JSON.stringify([
    a.task,
    a.verdict,
    a.reason.code,
    a.window?.opens,
    a.window?.closes,
    a.best?.opens,
    Math.round((a.left ?? -1) * 100),
    a.over > 0,
    a.bloomLoss.map((b) => Math.round(b.loss * 100)),
  ]);

/** Who stands where: plants of one kind in one bed are a row; a gardener may want each of some told by itself. */
export interface RowsBy {
  readonly garden: Garden;
  /** Plants whose row is laid out, by the one that stood for it. */
  readonly apart: ReadonlySet<string>;
}

/** Plants of a row with one answer are one line; whoever has another stands by itself. What is to be seen is seen plant by plant. */
function folded(id: GroupId, rows: readonly Advice[], { garden, apart }: RowsBy): Pick<Group, "rows" | "also"> {
  const none = { rows, also: new Map<string, readonly string[]>() };
  if (id === "look-for" || rows.length < 2) return none;
  const bedOf = new Map(garden.plants.map((p) => [p.id, p.bedId]));
  const rowKey = (a: Advice): string => `${bedOf.get(a.plantId)} ${a.taxonId}`;
  const inRow = grouped(rows, rowKey);
  if (inRow.size === rows.length) return none;
  const also = new Map<string, readonly string[]>();
  const gone = new Set<string>();
  for (const row of inRow.values()) {
    if (row.length < 2) continue;
    for (const [lead, ...rest] of grouped(row, answerKey).values()) {
      if (!lead || rest.length === 0 || apart.has(lead.plantId)) continue;
      also.set(
        lead.plantId,
        rest.map((a) => a.plantId),
      );
      for (const a of rest) gone.add(a.plantId);
    }
  }
  return { rows: rows.filter((a) => !gone.has(a.plantId)), also };
}

/** Groups with their rows: what closes first, what opens first. Empty groups are left out. */
export function groupsOf(advices: readonly Advice[], by: RowsBy): readonly Group[] {
  const sorted = new Map<GroupId, { readonly row: Advice; readonly order: Order }[]>(ORDER.map((id) => [id, []]));
  for (const row of advices) {
    const id = groupOf(row);
    sorted.get(id)!.push({ row, order: orderOf(row, id) });
  }
  return ORDER.map((id): Group => {
    const all = sorted.get(id)!.sort((a, b) => before(a.order, b.order));
    const rows = all.map((r) => r.row);
    return { id, title: TITLES[id], plants: rows.length, ...folded(id, rows, by) };
  }).filter((g) => g.rows.length > 0);
}
