import { type ReactNode, useId, useState } from 'react';
import styles from './Beside.module.css';

interface Props {
  /** What the button says, as which it stands in the page. */
  button: ReactNode;
  className: string | undefined;
  /** What it opens, for whoever points at it. */
  title: string;
  /** The box's own name. */
  label: string;
  /** What stands in the box, drawn while it is open. */
  children: (close: () => void) => ReactNode;
}

/**
 * A button, and a box that it opens beside itself: the browser's own popover. Escape or a tap beside closes it, and so does going on to
 * what stands after it.
 */
export function Beside({ button, className, title, label, children }: Props) {
  const id = useId();
  const [isOpen, setOpen] = useState(false);
  const close = () => document.getElementById(id)?.hidePopover();
  return (
    <>
      <button
        type="button"
        className={className}
        title={title}
        popoverTarget={id}
        aria-haspopup="dialog"
      >
        {button}
      </button>
      <div
        id={id}
        popover="auto"
        className={styles.box}
        tabIndex={-1}
        {...(isOpen && { role: 'dialog', 'aria-label': label })}
        onBeforeToggle={({ newState }) => {
          if (newState === 'open') setOpen(true);
        }}
        onToggle={({ newState, currentTarget }) => {
          // Emptied only when it is gone: the browser gives the focus back if it is still in the box.
          if (newState === 'closed') setOpen(false);
          // Unless something in it took the focus: it is read out, and Tab goes on within it.
          else if (!currentTarget.contains(document.activeElement)) currentTarget.focus();
        }}
        onBlur={({ relatedTarget, currentTarget }) => {
          if (relatedTarget && !currentTarget.contains(relatedTarget)) close();
        }}
      >
        {isOpen && children(close)}
      </div>
    </>
  );
}
