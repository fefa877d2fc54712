import type { Plan } from './bench.svelte';

type Strip = {
  key: string;
  x: number;
  y: number;
  width: number;
  height: number;
  lines: string[];
  fresh: boolean;
};
type Stroke = { key: string; path: string; fresh: boolean };

const COLUMN = 222;
const STRIP = 178;
const LETTER_HEIGHT = 19;
const LETTERS = 21;

/** Breaks a name into lines that fit a strip; a name is never cut off. */
export function broken(name: string, letters = LETTERS): string[] {
  const lines: string[] = [];
  for (const word of name.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length + 1 <= letters)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** Where the strips and strokes of a plan's pour stand, as it is now or as it will be. */
export function drawn(plan: Plan, when: 'now' | 'then') {
  const pots = new Set(plan.pots.map((pot) => pot.id));
  const nodes = when === 'then' ? after(plan) : before(plan, pots);
  const edge = nodes.filter((node) => node.tier === 0);
  const tiers = [...new Set(nodes.map((node) => node.tier))].sort((a, b) => a - b);
  const at = new Map<string, Box>();
  const strips: Strip[] = [];
  let height = 0;
  for (const [column, tier] of tiers.entries()) {
    let free = 4;
    const here = nodes.filter((other) => other.tier === tier);
    const wanted = (node: Node) => middleOf(node.inputs.flatMap((id) => at.get(id) ?? []));
    for (const node of here.sort((a, b) => wanted(a) - wanted(b))) {
      const lines = broken(node.name);
      const tall = lines.length * LETTER_HEIGHT + 10;
      const x = column * COLUMN + 2;
      const y = Math.max(free, wanted(node) - tall / 2);
      strips.push({ key: node.id, x, y, width: STRIP, height: tall, lines, fresh: node.fresh });
      at.set(node.id, { x, y, height: tall });
      free = y + tall + 8;
    }
    height = Math.max(height, free);
  }
  const strokes: Stroke[] = [];
  for (const node of nodes)
    for (const input of node.inputs) {
      const from = at.get(input);
      const to = at.get(node.id);
      if (!from || !to) continue;
      const [x1, y1, x2, y2] = [
        from.x + STRIP,
        from.y + from.height / 2,
        to.x,
        to.y + to.height / 2
      ];
      const middle = (x1 + x2) / 2;
      strokes.push({
        key: `${input} ${node.id}`,
        path: `M${x1} ${y1}C${middle} ${y1} ${middle} ${y2} ${x2} ${y2}`,
        fresh: edge.some((one) => one.id === input)
      });
    }
  const words = nodes
    .filter((node) => node.inputs.length > 0)
    .map((node) => {
      const names = node.inputs.map((id) => nodes.find((other) => other.id === id)?.name ?? id);
      return `${names.join(' and ')} into ${node.name}`;
    })
    .join('; ');
  return { width: tiers.length * COLUMN - (COLUMN - STRIP) + 4, height, strips, strokes, words };
}

type Box = { x: number; y: number; height: number };

/** Half way down between strips; at the top where there are none. */
function middleOf(boxes: Box[]): number {
  const middles = boxes.map((box) => box.y + box.height / 2);
  return middles.reduce((sum, each) => sum + each, 0) / Math.max(middles.length, 1);
}

type Node = { id: string; name: string; tier: number; inputs: string[]; fresh: boolean };

function after(plan: Plan): Node[] {
  return plan.pour.map((pot) => ({ ...pot, fresh: pot.tier === 0 }));
}

/** The same pots with what is swapped away at their edges. */
function before(plan: Plan, pots: Set<string>): Node[] {
  const old = new Map<string, Node>();
  for (const { swap, from_name } of plan.swaps)
    if (!pots.has(swap.from))
      old.set(swap.from, { id: swap.from, name: from_name, tier: 0, inputs: [], fresh: true });
  const made = plan.pour
    .filter((pot) => pots.has(pot.id))
    .map((pot) => ({
      ...pot,
      fresh: false,
      inputs: [
        ...pot.inputs.filter((id) => pots.has(id)),
        ...plan.swaps.filter(({ swap }) => swap.in === pot.id).map(({ swap }) => swap.from)
      ]
    }));
  return [...old.values(), ...made];
}
