import { selection } from '../lib/selection.svelte';
import { navigate } from './routes';
import { singleKeys } from './singleKeys.svelte';

/** The keys that work everywhere, as the list of keys shows them. */
export const KEYS = [
  ['1 2 3 4 5 6', 'Family, Cards, Larder, Swaps, Today, Guests'],
  ['/', 'find a pot, jar or plate'],
  ['← →', 'on the board: to a source, to what it goes into'],
  ['↑ ↓', 'on the board: within a column'],
  ['Enter', 'open the chosen pot'],
  ['p', 'in the larder: a plain single food, where it can be one'],
  ['w', 'find a swap for the chosen pot'],
  ['?', 'this list']
] as const;

class KeyListState {
  open = $state(false);
}

export const keyList = new KeyListState();

/** The swap bench of the chosen pot, or the rules where none is chosen. */
function toSwaps() {
  const id = selection.pot;
  void (id === null ? navigate('/rules') : navigate('/pots/:id/swaps', { params: { id } }));
}

/** The chosen pot, or the list of all where none is chosen. */
export function openPot() {
  if (selection.pot === null) return navigate('/pots');
  return navigate('/pots/:id', { params: { id: selection.pot } });
}

singleKeys.register({
  '1': () => void navigate('/'),
  '2': () => void openPot(),
  '3': () => void navigate('/larder'),
  '4': toSwaps,
  '5': () => void navigate('/today'),
  '6': () => void navigate('/guests'),
  '/': () => document.getElementById('find')?.focus(),
  '?': () => void (keyList.open = true),
  w: () => {
    if (selection.pot !== null) toSwaps();
  }
});
