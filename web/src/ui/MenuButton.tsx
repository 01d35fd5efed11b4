import { Menu, MenuItem } from "@mui/material";
import { Fragment, useState, type ReactNode } from "react";
import { Link } from "react-router";
import "./menuButton.css";

/** Choice is one line of a menu. */
export interface Choice {
  says: string;
  /** The key that does the same, or a word on the right. */
  hint?: string;
  /** The address that it opens. */
  to?: string;
  does?: () => void;
  disabled?: boolean;
  /** Of what is on or off. The menu stays open, unless it is said that it does not. */
  on?: boolean;
  /** Of one among several of which one is on. */
  among?: boolean;
  /** The menu stays open. */
  stays?: boolean;
  /** A heading stands above it. */
  heading?: string;
}

interface Props {
  label: ReactNode;
  name?: string;
  className?: string;
  choices: Choice[];
}

/** MenuButton opens a menu of what is seldom needed. */
export function MenuButton({ label, name, className, choices }: Props) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const close = () => setAt(null);
  return (
    <>
      <button type="button" className={className ?? "menu-button"} aria-haspopup="menu" aria-expanded={at !== null} aria-label={name} onClick={(e) => setAt(e.currentTarget)}>
        {label} <i aria-hidden>▾</i>
      </button>
      <Menu anchorEl={at} open={at !== null} onClose={close} className="menu-of-choices">
        {choices.map((choice) => [
          choice.heading && (
            <li key={choice.heading} role="presentation" className="menu-heading">
              {choice.heading}
            </li>
          ),
          <Item key={choice.says} choice={choice} onDone={close} />,
        ])}
      </Menu>
    </>
  );
}

function Item({ choice, onDone, ...menu }: { choice: Choice; onDone: () => void }) {
  const { says, hint, to, does, disabled, on, among, stays } = choice;
  const role = on === undefined ? "menuitem" : among ? "menuitemradio" : "menuitemcheckbox";
  const text = (
    <Fragment>
      {on !== undefined && (
        <span className="mark" aria-hidden>
          {on ? "✓" : ""}
        </span>
      )}
      <span>{says}</span>
      {hint && <kbd aria-hidden>{hint}</kbd>}
    </Fragment>
  );
  if (to !== undefined) {
    return (
      <MenuItem {...menu} component={Link} to={to} onClick={onDone} disabled={disabled}>
        {text}
      </MenuItem>
    );
  }
  return (
    <MenuItem
      {...menu}
      role={role}
      aria-checked={on}
      disabled={disabled}
      onClick={() => {
        if (stays ?? on !== undefined) return does?.();
        onDone();
        // As it closes, the menu gives the focus back; what is done may take it then.
        setTimeout(() => does?.());
      }}
    >
      {text}
    </MenuItem>
  );
}
