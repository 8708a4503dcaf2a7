import type { ReactNode } from 'react';
import { Link } from 'react-router';

/** Our mark: a sheet, its margin, and a leaf's shadow on it. */
export function Mark({ size = 24 }: { size?: number }) {
  return (
    <svg viewBox="0 0 24 24" width={size} height={size} aria-hidden="true">
      <rect
        x="2.2"
        y="2.2"
        width="19.6"
        height="19.6"
        rx="4.4"
        fill="var(--paper)"
        stroke="var(--moss)"
        strokeWidth="1.8"
      />
      <path d="M15.6 2.6V21.4" stroke="var(--apricot-line)" strokeWidth="1.8" />
      <path d="M5.2 16.6C4.8 11 7.6 7.4 13.2 7C13.4 12.6 10.6 16.2 5.2 16.6Z" fill="var(--moss)" />
      <path
        d="M5.2 16.6C7.2 13.2 9 11.4 11 9.8"
        fill="none"
        stroke="var(--paper)"
        strokeWidth="1"
        strokeLinecap="round"
      />
    </svg>
  );
}

/** The strip on top: the mark leads home, then the screen's name and whatever belongs to it. */
export function Strip({
  title,
  home,
  children,
  before,
}: {
  title: ReactNode;
  home: string;
  children?: ReactNode;
  before?: ReactNode;
}) {
  return (
    <header className="strip">
      <Link
        to={home}
        className="mark"
        aria-label={home === '/tray' ? 'To your tray' : home === '/' ? 'To the front page' : 'To the Desk'}
      >
        <Mark />
      </Link>
      {typeof title === 'string' ? <h1 title={title}>{title}</h1> : title}
      {before}
      <span className="spring" />
      {children}
    </header>
  );
}
