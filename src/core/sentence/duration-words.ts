const UNITS = { D: 'day', H: 'hour', M: 'minute', W: 'week' } as const;

/** "1 day 6 hours" of "P1DT6H" (ISO 8601). */
export function durationWords(duration: string): string {
  return [...duration.matchAll(/(\d+)([DHMW])/g)]
    .map(([, count, unit]) => {
      const word = UNITS[unit as keyof typeof UNITS];
      return `${count} ${word}${count === '1' ? '' : 's'}`;
    })
    .join(' ');
}
