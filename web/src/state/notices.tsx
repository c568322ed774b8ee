/** Short notices at the foot of the screen, with undo where it applies. */
import { createContext, use, useCallback, useMemo, useState, type ReactNode } from "react";

export interface Notice {
  readonly text: string;
  readonly undo?: boolean;
  readonly trouble?: boolean;
}
interface Notices {
  readonly current: (Notice & { readonly no: number }) | null;
  readonly say: (n: Notice) => void;
  readonly close: () => void;
}
const NoticeContext = createContext<Notices | null>(null);

export function NoticeProvider({ children }: { readonly children: ReactNode }) {
  const [current, setCurrent] = useState<Notices["current"]>(null);
  const say = useCallback((n: Notice) => setCurrent((old) => ({ ...n, no: (old?.no ?? 0) + 1 })), []);
  const close = useCallback(() => setCurrent(null), []);
  const value = useMemo(() => ({ current, say, close }), [current, say, close]);
  return <NoticeContext value={value}>{children}</NoticeContext>;
}

export function useNotices(): Notices {
  const n = use(NoticeContext);
  if (!n) throw new Error("useNotices outside NoticeProvider");
  return n;
}
