/** The bell of the house: a counter bell seen from the side. It rings when all terminals confirm. */
export function Bell({ size = 28, ringing = false }: { size?: number; ringing?: boolean }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 32 32"
      aria-hidden="true"
      className={ringing ? 'bell-ringing text-primary' : 'text-primary'}
    >
      <path d="M4 23.5 C4 13 10 8.5 16 8.5 C22 8.5 28 13 28 23.5 Z" fill="currentColor" />
      <rect x="2" y="24.5" width="28" height="3.2" rx="1.2" fill="var(--color-base-content)" />
      <rect x="14.6" y="4" width="2.8" height="4.5" rx="1" fill="var(--color-base-content)" />
      <path
        d="M8.5 20.5 C9 15.5 11.5 12.6 15 11.8"
        fill="none"
        stroke="var(--color-base-100)"
        strokeWidth="1.4"
        strokeLinecap="round"
      />
    </svg>
  );
}
