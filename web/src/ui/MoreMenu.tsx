import { type ReactElement } from "react";
import { onDemand, useOnDemand } from "./onDemand";

export interface MoreMenuProps {
  text: string;
  /** What a screen reader says in place of the text. */
  label?: string | undefined;
  className: string;
  anchor: "bottom end" | "top";
  listClassName: string;
  /** Buttons and links, one a line. */
  children: ReactElement | (ReactElement | ReactElement[])[];
}

const menus = onDemand(() => import("./opened/MenuList"));

/** A button behind which more can be done; its list is fetched when somebody first reaches for it. */
export function MoreMenu(props: MoreMenuProps) {
  const { parts, plain, before, near, open, openByKey } = useOnDemand<Menus, HTMLButtonElement>(menus);
  if (parts) return <parts.MenuList {...props} before={before} />;
  return (
    <button
      ref={plain}
      type="button"
      aria-haspopup="menu"
      aria-expanded={false}
      aria-label={props.label}
      className={props.className}
      onPointerEnter={near}
      onFocus={near}
      onClick={open}
      onKeyDown={openByKey}
    >
      {props.text}
    </button>
  );
}

type Menus = NonNullable<ReturnType<typeof menus.parts>>;
