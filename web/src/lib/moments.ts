const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

const dayOfMonth = (day: string): string =>
  `${Number(day.slice(8, 10))} ${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''}`;

/** A day as people say it: `2 Dec`, with its year where it is another one. */
export function dayWords(day: string): string {
  const year = day.slice(0, 4);
  return year === String(new Date().getFullYear()) ? dayOfMonth(day) : `${dayOfMonth(day)} ${year}`;
}

/** A moment as people say it, on the clock of whoever wrote it down: `2 Dec 10:40`. */
export function momentWords(moment: string): string {
  return `${dayOfMonth(moment)} ${moment.slice(11, 16)}`.trim();
}
