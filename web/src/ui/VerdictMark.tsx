/** A verdict's mark: a shape and a colour of its own, told apart in print and by any eye; the word stands beside it. */
import { VERDICT_TABLE, type Verdict } from "@wren/core";
import type { ReactNode } from "react";

const PETAL = "M12 12C9 8 9.5 3.5 12 2c2.5 1.5 3 6 0 10z";

export const VERDICT_COLOUR: Readonly<Record<Verdict, string>> = {
  best: "var(--leaf)",
  fine: "var(--leaf)",
  "no-need": "var(--soft)",
  "costs-flowers": "var(--plum)",
  wait: "var(--sapwood)",
  "too-late": "var(--umber)",
  never: "var(--alarm)",
  "ask-a-pro": "var(--alarm)",
};

const SHAPES: Readonly<Record<Verdict, ReactNode>> = {
  best: <circle cx="12" cy="12" r="9" fill="currentColor" />,
  fine: (
    <>
      <circle cx="12" cy="12" r="8.5" fill="none" stroke="currentColor" strokeWidth="2" />
      <path d="M12 3.5a8.5 8.5 0 0 0 0 17z" fill="currentColor" />
    </>
  ),
  "no-need": <circle cx="12" cy="12" r="3.5" fill="currentColor" />,
  "costs-flowers": (
    <g fill="none" stroke="currentColor" strokeWidth="1.8">
      {[0, 72, 144, 216, 288].map((a) => (
        <path key={a} d={PETAL} transform={`rotate(${a} 12 12)`} />
      ))}
    </g>
  ),
  wait: (
    <circle
      cx="12"
      cy="12"
      r="8"
      fill="none"
      stroke="currentColor"
      strokeWidth="2.5"
      strokeDasharray="42 8"
      strokeLinecap="round"
      transform="rotate(-70 12 12)"
    />
  ),
  "too-late": (
    <g fill="none" stroke="currentColor" strokeWidth="2.2">
      <circle cx="12" cy="12" r="8" />
      <path d="M3 21 21 3" />
    </g>
  ),
  never: (
    <g fill="none" stroke="currentColor" strokeWidth="2.2">
      <rect x="3.5" y="3.5" width="17" height="17" />
      <path d="M3.5 3.5l17 17M20.5 3.5l-17 17" />
    </g>
  ),
  "ask-a-pro": (
    <g fill="none" stroke="currentColor" strokeWidth="2.2" strokeLinejoin="round">
      <path d="M12 3 22 20.5H2z" />
      <path d="M12 9.5v5M12 16.8v1.2" />
    </g>
  ),
};

interface Props {
  readonly verdict: Verdict;
  readonly size?: number;
  /** Shows the word beside the mark. */
  readonly word?: boolean;
}

export function VerdictMark({ verdict, size = 20, word = false }: Props) {
  const text = VERDICT_TABLE[verdict].word;
  return (
    <span className="mark" style={{ color: VERDICT_COLOUR[verdict] }}>
      <svg
        width={size}
        height={size}
        viewBox="0 0 24 24"
        role={word ? undefined : "img"}
        aria-label={word ? undefined : text}
        aria-hidden={word}
      >
        {SHAPES[verdict]}
      </svg>
      {word && text}
    </span>
  );
}
