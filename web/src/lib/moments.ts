const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A day as people say it: `2 Dec`, with its year where it is another one. */
export function dayWords(day: string): string {
  const month = MONTHS[Number(day.slice(5, 7)) - 1] ?? '';
  const year = day.slice(0, 4);
  const here = year === String(new Date().getFullYear()) ? '' : ` ${year}`;
  return `${Number(day.slice(8, 10))} ${month}${here}`;
}

/** A moment as people say it, on the clock of whoever wrote it down: `2 Dec 10:40`. */
export function momentWords(moment: string): string {
  const month = MONTHS[Number(moment.slice(5, 7)) - 1] ?? '';
  return `${Number(moment.slice(8, 10))} ${month} ${moment.slice(11, 16)}`.trim();
}
