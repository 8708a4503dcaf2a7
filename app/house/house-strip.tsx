import { Link, NavLink } from 'react-router';
import { useSending } from '../keeping/sender';
import { SignOut } from './sign-out';
import { Strip } from './strip';

const PLACES = {
  teacher: [
    ['/desk', 'Desk'],
    ['/classes', 'Classes'],
  ],
  student: [['/tray', 'Tray']],
} as const;

type Who = { id: string; role: 'teacher' | 'student'; name: string; schoolName: string; head?: boolean };

/** The strip of the plain screens, with the ways between them. */
export function HouseStrip({ person }: { person: Who }) {
  useSending(person.id);
  return (
    <Strip title="Dappled Margin" home={person.role === 'teacher' ? '/desk' : '/tray'}>
      <nav aria-label="Places">
        {PLACES[person.role].map(([to, name]) => (
          <NavLink key={to} to={to}>
            {name}
          </NavLink>
        ))}
        {person.head && <NavLink to="/school">Teachers</NavLink>}
      </nav>
      <span className="who">
        {person.role === 'teacher' ? (
          <Link to="/password" title="Your password">
            {person.name}
          </Link>
        ) : (
          person.name
        )}{' '}
        · {person.schoolName}
      </span>
      <SignOut personId={person.id} />
    </Strip>
  );
}
