<script lang="ts">
  import Check from '../../../ui/Check.svelte';
  import Field from '../../../ui/Field.svelte';
  import { type Piece, type Words } from './ruleForm.svelte';
  import WordBoxes from './WordBoxes.svelte';

  /** In which pots a rule may be used; nothing ticked means in all of them. */
  let { rule = $bindable(), words }: { rule: Piece; words: Words } = $props();

  const POTS: Record<string, string> = {
    boiled: 'Boiled long',
    simmered: 'Simmered long, also after it',
    frozen: 'Frozen',
    acid: 'Sour',
    milk: 'Milk in it',
    clear: 'Clear',
    pale: 'White or green',
    roux: 'A roux',
    dough: 'A dough',
    loose: 'A crumble, no liquid in it',
    pastry: 'A rubbed pastry',
    batter: 'A batter',
    battered: 'Fried in batter',
    coating: 'Coated',
    crumbed: 'Crumbed',
    custard: 'Set by eggs alone',
    emulsion: 'An emulsion',
    foam: 'Whipped',
    gratin: 'Browned under the grill',
    blended: 'Blended or sieved',
    bodied: 'Something in it binds: potato, pulse, onion',
    clarified: 'Cleared with a raft',
    hot: 'Fried or roasted',
    sweet: 'A sweet one',
    glazed: 'Brushed with a wash',
    umami: 'Savoured by the sea, soy or miso',
    second: 'A heavier meat or fish beside it',
    carried: 'Grain, pulse or vegetables carry it'
  };

  function ask(condition: string, how: string) {
    rule.only_in = rule.only_in.filter((other) => other !== condition);
    rule.not_in = rule.not_in.filter((other) => other !== condition);
    if (how === 'only') rule.only_in = [...rule.only_in, condition];
    if (how === 'not') rule.not_in = [...rule.not_in, condition];
  }

  function share(per_cent: number) {
    rule.most = Math.min(Math.max(per_cent || 100, 1), 100) / 100;
  }

  function name(text: string) {
    const words = text.split(',').map((word) => word.trim());
    rule.named = words.filter((word) => word !== '');
  }
</script>

<details class="border-t border-rule py-2">
  <summary class="min-h-11 cursor-pointer py-2 font-strong">Only in some pots</summary>
  <WordBoxes label="Kinds of pot" words={words.kinds} bind:chosen={rule.kinds} />
  <WordBoxes label="Where the line goes in" words={words.stages} bind:chosen={rule.stages} />
  <WordBoxes
    label="Colours that it is right for"
    words={words.colours}
    bind:chosen={rule.colours}
  />
  <div class="grid grid-cols-2 gap-x-6 gap-y-2 max-phone:grid-cols-1">
    <Field label="At most this share of the pot, per cent">
      <input
        class="field amount"
        type="number"
        min="1"
        max="100"
        value={Math.round((rule.most ?? 1) * 100)}
        onchange={(event) => share(event.currentTarget.valueAsNumber)}
      />
    </Field>
    <Field label="Only goods with one of these words in their name, by commas">
      <input
        class="field"
        maxlength="500"
        value={(rule.named ?? []).join(', ')}
        onchange={(event) => name(event.currentTarget.value)}
      />
    </Field>
  </div>
  <Check bind:checked={rule.not_named}>not in a pot that is called by what goes</Check>
  <div class="grid grid-cols-2 gap-x-6 gap-y-2 max-phone:grid-cols-1">
    {#each words.conditions as condition (condition)}
      <label class="flex min-h-11 items-center justify-between gap-3">
        {POTS[condition] ?? condition}
        <select
          class="field !w-44"
          value={rule.only_in.includes(condition)
            ? 'only'
            : rule.not_in.includes(condition)
              ? 'not'
              : ''}
          onchange={(event) => ask(condition, event.currentTarget.value)}
        >
          <option value="">does not matter</option>
          <option value="only">only in such</option>
          <option value="not">not in such</option>
        </select>
      </label>
    {/each}
  </div>
</details>
