import type { ReactNode } from "react";

interface Props {
  readonly title: string;
  readonly children: ReactNode;
  /** Right of the title. */
  readonly aside?: ReactNode;
  readonly id?: string;
}

/** A titled part of a page: a rule above, a serif title, no box. */
export function Section({ title, children, aside, id }: Props) {
  return (
    <section aria-label={title} id={id} className="section">
      <div className="section-head">
        <h2 className="title-2">{title}</h2>
        {aside}
      </div>
      {children}
    </section>
  );
}
