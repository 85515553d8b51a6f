<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import type { Paper } from './paper';

  /** The supplier's invoice that lies with the goods. */
  interface Props {
    paper: Paper;
    /** What is missing or cannot be read. */
    wrong: string | undefined;
    /** Of the price; none: the lines have prices of their own, as agreed. */
    unit?: string;
  }
  let { paper = $bindable(), wrong, unit }: Props = $props();
</script>

<fieldset class="with-it">
  <label class="flex items-center gap-2"
    ><input type="checkbox" bind:checked={paper.there} /> its invoice lies with it</label
  >
  {#if paper.there}
    <div class="flex flex-wrap items-baseline gap-2">
      <input
        class="field w-32"
        aria-label="Invoice number"
        placeholder="its number"
        {@attach begins()}
        bind:value={paper.number}
      />
      <input class="field w-28" aria-label="Invoice of" placeholder="of which day" bind:value={paper.day} />
      {#if unit}<span class="flex items-baseline gap-2"
          ><input
            class="field w-24 text-right"
            inputmode="decimal"
            aria-label="Price by the invoice"
            placeholder="as agreed"
            bind:value={paper.price}
          />
          a {unit}</span
        >{/if}
    </div>
    {#if wrong && (paper.number || paper.day || paper.price)}<p class="text-vermilion">{wrong}</p>{/if}
  {/if}
</fieldset>

<style>
  .with-it {
    grid-column: 1 / -1;
    display: grid;
    gap: 6px;
    border: 0;
    padding: 0;
    margin: 0;
  }
</style>
