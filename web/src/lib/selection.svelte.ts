/** The pot that is chosen, wherever it was chosen; it stays so from place to place. */
class Selection {
  pot = $state<string | null>(null);
}

export const selection = new Selection();
