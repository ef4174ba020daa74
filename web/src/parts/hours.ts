/** Minutes as people say them: 25 min, 1 h 05. */
export const hours = (minutes: number): string =>
  minutes < 60
    ? `${Math.round(minutes)} min`
    : `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`
