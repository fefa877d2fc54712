const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A moment as people say it, on the clock of whoever wrote it down: `2 Dec 10:40`. */
export function momentWords(moment: string): string {
  const month = MONTHS[Number(moment.slice(5, 7)) - 1] ?? '';
  return `${Number(moment.slice(8, 10))} ${month} ${moment.slice(11, 16)}`.trim();
}
