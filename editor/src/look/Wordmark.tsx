/** The sign of the house: a pace line with a mark on it. */
export function Wordmark({ small = false }: { small?: boolean }) {
  return (
    <span className={`wordmark ${small ? 'small' : ''}`}>
      <svg width={small ? 24 : 34} height={small ? 20 : 28} viewBox="0 0 34 28" aria-hidden>
        <path
          d="M3 24C11 24 11 9 17 9S23 18 31 4"
          fill="none"
          stroke="var(--accent)"
          strokeWidth="3.4"
          strokeLinecap="round"
        />
        <circle cx="17" cy="9" r="3.6" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2.2" />
      </svg>
      {small ? null : 'Pace Line'}
    </span>
  );
}
