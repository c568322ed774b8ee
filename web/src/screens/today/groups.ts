/** Today's answers sorted into what a gardener does with them. */
import { daysBetween, VERDICT_TABLE, type Advice } from "@wren/core";

export type GroupId = "look-for" | "ready" | "soon" | "later" | "professional" | "leave";

export interface Group {
  readonly id: GroupId;
  readonly title: string;
  readonly rows: readonly Advice[];
}

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

/** Groups with their rows: what closes first, what opens first. Empty groups are left out. */
export function groupsOf(advices: readonly Advice[]): readonly Group[] {
  const sorted = new Map<GroupId, { readonly row: Advice; readonly order: Order }[]>(ORDER.map((id) => [id, []]));
  for (const row of advices) {
    const id = groupOf(row);
    sorted.get(id)!.push({ row, order: orderOf(row, id) });
  }
  return ORDER.map((id): Group => {
    const rows = sorted.get(id)!.sort((a, b) => before(a.order, b.order));
    return { id, title: TITLES[id], rows: rows.map((r) => r.row) };
  }).filter((g) => g.rows.length > 0);
}
