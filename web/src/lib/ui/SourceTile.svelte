<script lang="ts">
  /** The source as a letter; the stage as the outline: planned dashed, firmed solid, released filled, done filled with a check; a stock point has none. */
  interface Props {
    source: string;
    stage?: string | null;
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
  const says = $derived(stage === null ? source : `${source}, ${stage}`);
</script>

<span class="tile {stage ?? 'point'}" title={says} role="img" aria-label={says}
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
  .point {
    border-color: transparent;
    color: var(--ink-2);
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
