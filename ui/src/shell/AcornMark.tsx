/** AcornMark is the sign of the program. */
export function AcornMark() {
  return (
    <svg viewBox="0 0 32 32" width="28" height="28" aria-hidden="true">
      <path d="M15 2h2v5h-2z" fill="var(--bark)" />
      <path d="M4 14c0-5 5-8 12-8s12 3 12 8l-1.5 1.5h-21z" fill="var(--bark)" />
      <path d="M6.500 17h19c0 6-5 10-9.500 13-4.500-3-9.500-7-9.500-13z" fill="var(--acorn)" />
    </svg>
  );
}
