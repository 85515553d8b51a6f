<script lang="ts">
  /** The source as a letter; the stage as the outline: planned dashed, firmed solid, released filled, done filled with a check. */
  interface Props {
    source: string;
    stage?: string;
  }
  let { source, stage = 'planned' }: Props = $props();
  const LETTERS: Record<string, string> = {
    make: 'M',
    assemble: 'A',
    buy: 'B',
    transfer: 'T',
    subcontract: 'S',
    none: '–'
  };
</script>

<span class="tile {stage}" title="{source}, {stage}" role="img" aria-label="{source}, {stage}"
  >{stage === 'done' ? '✓' : (LETTERS[source] ?? '?')}</span
>

<style>
  .tile {
    display: inline-grid;
    place-items: center;
    width: 19px;
    height: 19px;
    flex: none;
    border-radius: var(--radius);
    border: 1.5px dashed var(--ink);
    font-size: 11px;
    font-weight: 700;
  }
  .firmed {
    border-style: solid;
  }
  .released,
  .done {
    border-style: solid;
    background: var(--ink);
    color: var(--sheet);
  }
</style>
