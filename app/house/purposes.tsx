import type { ReactNode } from 'react';
import type { Purpose } from '../../server/stores/sheets';

const stroke = {
  fill: 'none',
  stroke: 'var(--moss)',
  strokeWidth: 1.6,
  strokeLinecap: 'round' as const,
  strokeLinejoin: 'round' as const,
};

/** A small drawing of what each purpose is for. */
const DRAWINGS: Record<Purpose, ReactNode> = {
  worksheet: (
    <g {...stroke}>
      <rect x="9" y="4" width="26" height="34" rx="2.5" fill="var(--white)" />
      <path d="M14 12H26M14 19h16M14 23h16" />
      <path d="M14 30l3 3 6-7" stroke="var(--apricot)" />
    </g>
  ),
  diagram: (
    <g {...stroke}>
      <path d="M14 34C8 26 12 14 22 12C30 16 28 30 20 34Z" fill="var(--moss-soft)" />
      <path d="M20 34V16" />
      <path d="M23 20L34 12" stroke="var(--apricot)" />
      <rect x="32" y="6" width="12" height="7" rx="2" fill="var(--apricot-soft)" stroke="var(--apricot)" />
    </g>
  ),
  map: (
    <g {...stroke} stroke="var(--sky)">
      <path d="M24 15V20M24 20L12 27M24 20L36 27M24 20V27" />
      <rect x="15" y="6" width="18" height="9" rx="4" fill="var(--sky-soft)" />
      <circle cx="11" cy="31" r="4.5" fill="var(--white)" />
      <circle cx="24" cy="31" r="4.5" fill="var(--white)" />
      <circle cx="37" cy="31" r="4.5" fill="var(--white)" />
    </g>
  ),
  poster: (
    <g {...stroke} stroke="var(--apricot)">
      <rect x="10" y="3" width="26" height="36" rx="2" fill="var(--apricot-soft)" />
      <path d="M15 10H31" strokeWidth="2.6" />
      <circle cx="23" cy="22" r="6.5" fill="var(--peach)" />
      <path d="M16 34H30" />
    </g>
  ),
  blank: (
    <g {...stroke} stroke="var(--stone)">
      <path d="M8 8H32L38 14V36H8Z" fill="var(--white)" />
      <path d="M32 8V14H38" />
    </g>
  ),
};

export function PurposeDrawing({ purpose }: { purpose: Purpose }) {
  return (
    <svg viewBox="0 0 48 42" width="48" height="42" aria-hidden="true">
      {DRAWINGS[purpose]}
    </svg>
  );
}
