/** `filled`: something is there; whether it is right is not shown. */
export function Tick({ held }: { held: boolean | 'filled' | null }) {
  const label = held === null ? 'Your teacher decides' : held === 'filled' ? 'Filled in' : held ? 'There' : 'Not yet';
  return (
    <svg viewBox="0 0 18 18" width="18" height="18" role="img" aria-label={label} style={{ flex: 'none' }}>
      {held === 'filled' ? (
        <>
          <circle cx="9" cy="9" r="7.6" fill="var(--paper)" stroke="var(--moss)" strokeWidth="1.5" />
          <path d="M5.4 7.4H12.6M5.4 10.6H10.4" stroke="var(--moss)" strokeWidth="1.5" strokeLinecap="round" />
        </>
      ) : held ? (
        <>
          <circle cx="9" cy="9" r="8.2" fill="var(--moss)" />
          <path
            d="M5.2 9.4L8 12L12.8 6.4"
            fill="none"
            stroke="var(--white)"
            strokeWidth="1.9"
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        </>
      ) : (
        <circle
          cx="9"
          cy="9"
          r="7.6"
          fill="none"
          stroke="var(--stone)"
          strokeWidth="1.3"
          strokeDasharray={held === null ? '1.5 3' : '4 2.6'}
        />
      )}
    </svg>
  );
}
