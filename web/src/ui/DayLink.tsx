/** A link that keeps the day on screen, yet is not drawn anew with every day: it asks for the day when it is reached for. */
import { memo, type AnchorHTMLAttributes, type MouseEvent, type SyntheticEvent } from "react";
import { useGo, useLinkNow } from "../state/day.tsx";

interface Props extends Omit<AnchorHTMLAttributes<HTMLAnchorElement>, "href"> {
  readonly to: string;
  /** What else the address is to say. */
  readonly more?: Readonly<Record<string, string>>;
  /** What the next screen is handed beside its address. */
  readonly state?: unknown;
}

/** A press with a key held, or not of the first button, is the browser's: a new tab, a new window, a download. */
const isOurs = (e: MouseEvent): boolean =>
  !e.defaultPrevented && e.button === 0 && !(e.metaKey || e.altKey || e.ctrlKey || e.shiftKey);

export const DayLink = memo(function DayLink({ to, more, state, children, ...rest }: Props) {
  const linkNow = useLinkNow();
  const go = useGo();
  const renew = (e: SyntheticEvent<HTMLAnchorElement>): void => e.currentTarget.setAttribute("href", linkNow(to, more));
  return (
    <a
      {...rest}
      href={linkNow(to, more)}
      onPointerEnter={renew}
      onPointerDown={renew}
      onFocus={renew}
      onClick={(e) => {
        if (!isOurs(e)) return;
        e.preventDefault();
        go(linkNow(to, more), { state });
      }}
    >
      {children}
    </a>
  );
});
