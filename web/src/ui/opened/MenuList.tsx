import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { Children, useEffect, useRef } from "react";
import type { Opened } from "../choiceParts";
import type { MoreMenuProps } from "../MoreMenu";
import { Over, openBy } from "./Over";

/** What can be done, behind a button. */
export function MenuList({ text, label, className, anchor, listClassName, children, before }: MoreMenuProps & Opened) {
  const button = useRef<HTMLButtonElement | null>(null);
  useEffect(() => {
    if (before.focused) button.current?.focus();
    if (before.opened) openBy(button.current);
  }, [before]);
  return (
    <Over>
      <Menu>
        <MenuButton ref={button} aria-label={label} className={className}>
          {text}
        </MenuButton>
        <MenuItems
          anchor={anchor}
          modal={false}
          className={`z-30 border-ink bg-sheet py-1 focus:outline-none ${listClassName}`}
        >
          {Children.map(children, (item) => (
            <MenuItem>{item}</MenuItem>
          ))}
        </MenuItems>
      </Menu>
    </Over>
  );
}
