import type { ButtonHTMLAttributes, ReactNode } from 'react';
import { Link, type LinkProps } from 'react-router';
import classes from './Action.module.css';

type Weight = 'main' | 'plain' | 'quiet' | 'danger';

interface ActionLook {
  weight?: Weight;
  /** The key that does the same. */
  hint?: string;
  icon?: ReactNode;
}

function content(children: ReactNode, { hint, icon }: ActionLook): ReactNode {
  return (
    <>
      {icon}
      <span className={classes.label}>{children}</span>
      {hint !== undefined && <kbd className={classes.key}>{hint}</kbd>}
    </>
  );
}

/** A button of the workshop; one on a page is `main`. */
export function Action({
  weight = 'plain',
  hint,
  icon,
  children,
  ...rest
}: ActionLook & ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button type="button" {...rest} className={classes.action} data-weight={weight}>
      {content(children, { hint, icon })}
    </button>
  );
}

/** The same as a link to another page. */
export function ActionLink({ weight = 'plain', hint, icon, children, ...rest }: ActionLook & LinkProps) {
  return (
    <Link {...rest} className={classes.action} data-weight={weight}>
      {content(children, { hint, icon })}
    </Link>
  );
}
