/** A flag to clear, or a diet to fit. */
export type Goal = { what: 'clear' | 'fit'; id: string; name: string };

/** Something that holds goals, to which a box adds some and drops others. */
export interface GoalHolder {
  readonly goals: Goal[];
  add(goal: Goal): void;
  drop(goal: Goal): void;
}
