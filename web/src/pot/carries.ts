import type { Level, Schema } from '../api/client';

type Carried = Schema['CarriedOut'];

export interface CarriedEntry {
  flags: string[];
  name: string;
  level: Level;
  ways: Carried['ways'];
}

/** Flags that one jar without a label leaves open, told together: they share level and ways. */
export function grouped(carries: Carried[]): CarriedEntry[] {
  const entries = new Map<string, CarriedEntry>();
  for (const carried of carries) {
    const key =
      carried.level === 'unchecked'
        ? carried.ways.map((way) => `${way.source} ${way.via.join('>')}`).join('|')
        : carried.flag;
    const known = entries.get(key);
    if (known) {
      known.flags.push(carried.flag);
      known.name = `${known.name}, ${carried.name.toLowerCase()}`;
    } else {
      entries.set(key, {
        flags: [carried.flag],
        name: carried.name,
        level: carried.level,
        ways: carried.ways
      });
    }
  }
  return [...entries.values()];
}
