<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
  import RotateCw from '@lucide/svelte/icons/rotate-cw';
  import Button from '../Button.svelte';
  import Check from '../Check.svelte';
  import IconButton from '../IconButton.svelte';
  import { drawTurned } from './drawTurned';
  import type { Photograph } from './photograph.svelte';

  /** A picture to be turned, and cut to the words by its corners: dragged, by keys or by buttons. */
  let { photo }: { photo: Photograph } = $props();

  const NAMES = ['upper left', 'upper right', 'lower right', 'lower left'];
  const STEP = 0.02;
  const STEPS = [
    { key: 'ArrowLeft', name: 'left', Icon: ArrowLeft, x: -STEP, y: 0 },
    { key: 'ArrowUp', name: 'up', Icon: ArrowUp, x: 0, y: -STEP },
    { key: 'ArrowDown', name: 'down', Icon: ArrowDown, x: 0, y: STEP },
    { key: 'ArrowRight', name: 'right', Icon: ArrowRight, x: STEP, y: 0 }
  ];

  let canvas = $state<HTMLCanvasElement>();
  let chosen = $state(0);
  const corners = $derived(photo.slanted ? [0, 1, 2, 3] : [0, 2]);
  const at = (corner: number) => [
    100 * (photo.corners[2 * corner] ?? 0),
    100 * (photo.corners[2 * corner + 1] ?? 0)
  ];
  const outline = $derived([0, 1, 2, 3].map((corner) => at(corner).join(',')).join(' '));

  $effect(() => {
    if (canvas && photo.file) void drawTurned(canvas, photo.file, photo.turn);
  });

  function drag(event: PointerEvent & { currentTarget: HTMLElement }, corner: number) {
    if (!canvas || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = canvas.getBoundingClientRect();
    photo.move(
      corner,
      (event.clientX - box.left) / box.width,
      (event.clientY - box.top) / box.height
    );
  }

  function key(event: KeyboardEvent, corner: number) {
    const step = STEPS.find((each) => each.key === event.key);
    if (!step) return;
    event.preventDefault();
    photo.nudge(corner, step.x, step.y);
  }
</script>

<div class="mt-2 grid gap-2" data-photo-frame>
  <div class="flex flex-wrap items-center gap-x-3">
    <IconButton label="Turn it to the left" onclick={() => photo.rotate(-90)}
      ><RotateCcw size={20} /></IconButton
    >
    <IconButton label="Turn it to the right" onclick={() => photo.rotate(90)}
      ><RotateCw size={20} /></IconButton
    >
    <Check bind:checked={photo.slanted}>It lies slanted: four corners</Check>
  </div>
  <div class="relative m-3 w-fit select-none">
    <canvas bind:this={canvas} class="block max-h-[56dvh] max-w-full border border-rule"></canvas>
    <svg
      class="pointer-events-none absolute inset-0 size-full"
      viewBox="0 0 100 100"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <polygon
        points={outline}
        class="fill-none stroke-ladle"
        stroke-width="3"
        vector-effect="non-scaling-stroke"
      />
    </svg>
    {#each corners as corner (corner)}
      {@const [x, y] = at(corner)}
      <button
        type="button"
        class="absolute grid size-11 -translate-1/2 touch-none place-items-center"
        style:left="{x}%"
        style:top="{y}%"
        aria-label="{NAMES[corner]} corner"
        aria-pressed={chosen === corner}
        onpointerdown={(event) => {
          chosen = corner;
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onpointermove={(event) => drag(event, corner)}
        onfocus={() => (chosen = corner)}
        onkeydown={(event) => key(event, corner)}
      >
        <span
          class={['size-5 border-2 border-on-ladle', chosen === corner ? 'bg-ladle' : 'bg-white']}
        ></span>
      </button>
    {/each}
  </div>
  <div class="flex flex-wrap items-center gap-2">
    <span class="text-soft">Move the {NAMES[chosen]} corner</span>
    {#each STEPS as step (step.key)}
      <IconButton
        label="Move the {NAMES[chosen]} corner {step.name}"
        onclick={() => photo.nudge(chosen, step.x, step.y)}><step.Icon size={20} /></IconButton
      >
    {/each}
    <Button onclick={() => photo.whole()}>The whole picture</Button>
    <Button main disabled={photo.busy} onclick={() => photo.read()}>
      {photo.busy ? 'Reading' : 'Read this part'}
    </Button>
  </div>
</div>
