import type { Level, Schema } from '../../api/client';
import type { Verdict } from '../../ui/marks/verdicts';
import { selection } from '../../lib/selection.svelte';

export type Strip = Schema['StripOut'];
export type Family = Schema['FamilyOut'];
export type Ask = { what: 'flag' | 'diet'; id: string; name: string; also: readonly string[] };

/** The board's state: what is asked of every pot, and whose pour is lit. */
export class Board {
  ask = $state<Ask | null>(null);
  #family: () => Family | undefined;

  constructor(family: () => Family | undefined) {
    this.#family = family;
  }

  strips = $derived.by(() => new Map((this.#family()?.strips ?? []).map((s) => [s.id, s])));

  selected = $derived.by(() =>
    selection.pot === null ? undefined : this.strips.get(selection.pot)
  );

  /** The strips above and below the chosen one, and the strokes that join them. */
  pour = $derived.by(() => {
    const kin = new Set<string>();
    const strokes: [string, string][] = [];
    if (!this.selected) return { kin, strokes };
    this.#follow(this.selected.id, 'made_from', kin, (id, next) => strokes.push([next, id]));
    this.#follow(this.selected.id, 'goes_into', kin, (id, next) => strokes.push([id, next]));
    kin.delete(this.selected.id);
    return { kin, strokes };
  });

  #follow(
    start: string,
    way: 'made_from' | 'goes_into',
    kin: Set<string>,
    join: (id: string, next: string) => void
  ) {
    const waiting = [start];
    const seen = new Set<string>(waiting);
    for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
      for (const next of this.strips.get(id)?.[way] ?? []) {
        join(id, next);
        kin.add(next);
        if (!seen.has(next)) {
          seen.add(next);
          waiting.push(next);
        }
      }
    }
  }

  level(strip: Strip): Level {
    return (this.ask?.what === 'flag' && strip.flags[this.ask.id]) || 'free';
  }

  /** Whether only the kitchen's own tools leave what is asked for in a pot. */
  byTools(strip: Strip): boolean {
    return this.ask?.what === 'flag' && strip.tool_traces.includes(this.ask.id);
  }

  verdict(strip: Strip): Verdict | undefined {
    return this.ask?.what === 'diet' ? strip.diets[this.ask.id] : undefined;
  }

  /** How many strips there are at each level or verdict of what is asked. */
  tally = $derived.by(() => {
    const counts = new Map<Level | Verdict, number>();
    for (const strip of this.strips.values()) {
      const key = this.verdict(strip) ?? this.level(strip);
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
    return counts;
  });

  /** The strips of one column by kind, in the order of the kitchen's work. */
  groups(column: string): { kind: string; strips: Strip[] }[] {
    const kinds = ['stock', 'roux', 'component', 'sauce', 'soup', 'dish'];
    return kinds
      .map((kind) => ({
        kind,
        strips: [...this.strips.values()].filter((s) => s.column === column && s.kind === kind)
      }))
      .filter((group) => group.strips.length > 0);
  }

  /** The strip that an arrow leads to from the chosen one. */
  along(key: string): string | undefined {
    const here = this.selected;
    if (!here) return this.strips.keys().next().value;
    if (key === 'ArrowLeft') return here.made_from[0];
    if (key === 'ArrowRight') return here.goes_into[0];
    const column = this.groups(here.column).flatMap((group) => group.strips);
    const place = column.findIndex((strip) => strip.id === here.id);
    return column[place + (key === 'ArrowDown' ? 1 : -1)]?.id;
  }
}
