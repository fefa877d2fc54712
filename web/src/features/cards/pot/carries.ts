import type { Level, Schema } from '../../../api/client';

type Carried = Schema['CarriedOut'];

export interface CarriedEntry {
  flags: string[];
  names: string[];
  level: Level;
  ways: Carried['ways'];
}

/** Flags that one jar without a label leaves open, told together: they share level and ways. */
export function grouped(carries: Carried[]): CarriedEntry[] {
  const entries = new Map<string, CarriedEntry>();
  for (const { flag, name, level, ways } of carries) {
    const open = ways.map((way) => `${way.source} ${way.via.join('>')}`).join('|');
    const key = level === 'unchecked' ? open : flag;
    const known = entries.get(key);
    if (known) {
      known.flags.push(flag);
      known.names.push(name.toLowerCase());
    } else {
      entries.set(key, { flags: [flag], names: [name], level, ways });
    }
  }
  return [...entries.values()];
}
