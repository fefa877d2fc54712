import { selection } from '../features/family/selection.svelte';
import { navigate } from './routes';

/** The keys that work everywhere, as the list of keys shows them. */
export const KEYS = [
  ['1 2 3', 'Family, Pot, Larder'],
  ['/', 'find a pot, jar or plate'],
  ['← →', 'on the board: to a source, to what it goes into'],
  ['↑ ↓', 'on the board: within a column'],
  ['Enter', 'open the chosen pot'],
  ['p', 'in the larder: a plain single food, nothing else in it'],
  ['w', 'find a swap for the chosen pot'],
  ['?', 'this list']
] as const;

class KeyListState {
  open = $state(false);
}

export const keyList = new KeyListState();

function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName))
  );
}

const dialogOpen = () => document.querySelector('[role="dialog"]') !== null;

/** Keys that lead somewhere, wherever the focus is, but never while somebody types. */
export function onKey(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target) || dialogOpen())
    return;
  const act = actions[event.key];
  if (act?.() === true) event.preventDefault();
}

/** Each says whether it did something. */
const actions: Record<string, () => boolean> = {
  '1': () => go(() => navigate('/')),
  '2': () => go(openPot),
  '3': () => go(() => navigate('/larder')),
  '4': () => toSwaps() || go(() => navigate('/menu')),
  '/': () => go(() => document.getElementById('find')?.focus()),
  '?': () => go(() => (keyList.open = true)),
  w: toSwaps
};

/** The swap bench of the chosen pot. */
function toSwaps(): boolean {
  const id = selection.pot;
  return id !== null && go(() => navigate('/pots/:id/swaps', { params: { id } }));
}

function go(act: () => unknown): boolean {
  act();
  return true;
}

/** The chosen pot, or the list of all where none is chosen. */
export function openPot() {
  if (selection.pot === null) return navigate('/pots');
  return navigate('/pots/:id', { params: { id: selection.pot } });
}
