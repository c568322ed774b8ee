/** Any number on screen can be asked why: what went in, the formula in words, where it comes from. */
import { Suspense, useState, type ReactNode } from "react";
import type { Explanation } from "./explanation.ts";
import { laterPart } from "./later.tsx";

export type { Explanation } from "./explanation.ts";

const WhyAnswer = laterPart(() => import("./WhyAnswer.tsx"));

interface Props {
  /** What the number is. */
  readonly title: string;
  readonly children: ReactNode;
  /** Worked out when it is asked for: an answer has half a dozen numbers, and the day is dragged past them all. */
  readonly of: () => Explanation;
}

export function Why({ title, children, of }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <button
        type="button"
        className="why"
        aria-haspopup="dialog"
        aria-expanded={anchor !== null}
        aria-label={`Why? ${title}`}
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        {children}
      </button>
      {anchor !== null && (
        <Suspense fallback={null}>
          <WhyAnswer anchor={anchor} title={title} of={of()} onClose={() => setAnchor(null)} />
        </Suspense>
      )}
    </>
  );
}
